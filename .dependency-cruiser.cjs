/** Arrows point one way: app and cli, screens, then interface, store and workers, then wording, files, core. */
const layer = (name, from, to, comment) => ({ name, comment, severity: 'error', from, to })
const TEST = '\\.test\\.tsx?$'

module.exports = {
  forbidden: [
    layer('no-circles', {}, { circular: true }, 'Files that import each other in a loop.'),
    layer(
      'core-stands-alone',
      { path: '^src/core', pathNot: `${TEST}|^src/core/testing` },
      { pathNot: '^src/core|^node_modules/ipaddr.js' },
      'Core is pure computation: it reaches for nothing outside but address ranges.',
    ),
    layer(
      'core-does-not-use-its-test-helpers',
      { path: '^src/core', pathNot: `${TEST}|^src/core/testing` },
      { path: '^src/core/testing' },
      'Test helpers are for tests.',
    ),
    layer(
      'files-use-core-only',
      { path: '^src/files', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files)' },
      'Formats know the core and nothing above it.',
    ),
    layer(
      'practice-meters-by-itself',
      { path: '^src/practice', pathNot: TEST },
      {
        path: '^(src|app)/',
        pathNot:
          '^src/(practice|core/(quantity|catalogue/(priceBook|regionPrices)|machine/plan|off/powerState|ownValue)|files/(focus/focusColumns|reading/csvText))',
      },
      'A stand-in that shared a meter, a calendar or a timeline with the planner would share its mistakes.',
    ),
    layer(
      'rehearsal-uses-practice-files-and-core',
      { path: '^src/rehearsal', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files|practice|rehearsal)' },
      'Rehearsals know no screen and no store.',
    ),
    layer(
      'core-and-files-know-no-practice',
      { path: '^src/(core|files|wording|interface|store|screens)', pathNot: `${TEST}|testing/` },
      { path: '^src/practice' },
      'The practice provider is asked by rehearsals and by its service alone.',
    ),
    layer(
      'store-and-workers-use-files-and-core',
      { path: '^src/(store|workers)', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files|rehearsal|store|workers)' },
      'Storage and workers know nothing of what is drawn.',
    ),
    layer(
      'server-uses-files-and-core',
      { path: '^src/server', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files|server)' },
      'The service answers with formats and the core.',
    ),
    layer(
      'interface-uses-words-files-and-core',
      { path: '^src/interface', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files|wording|interface)' },
      'Shared components know no screen and no store.',
    ),
    layer(
      'wording-uses-files-and-core',
      { path: '^src/wording', pathNot: TEST },
      { path: '^(src|app)/', pathNot: '^src/(core|files|wording)' },
      'What is said in English is said alike on screens and on the command line.',
    ),
    layer(
      'screens-not-above',
      { path: '^src/screens' },
      { path: '^(app|src/cli)/' },
      'Screens do not know pages.',
    ),
    layer(
      'cli-draws-nothing',
      { path: '^src/cli' },
      { path: '^(app|src/(interface|screens|store|workers))/' },
      'The command line works without a browser.',
    ),
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: '\\.next',
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'default', 'types'] },
  },
}
