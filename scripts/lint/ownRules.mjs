// Rules of this project alone, checked on the types of the program. Prints each place that breaks one; ends with 1 where there is any.
import { readFileSync } from 'node:fs'
import { relative } from 'node:path'
import { API, TypeFlags } from 'typescript-native/unstable/sync'
import { SyntaxKind } from 'typescript-native/unstable/ast'
import * as is from 'typescript-native/unstable/ast/is'
import { ROOT } from '../prepare.mjs'

const BY_NAME = 'A name from data may be inherited: read it with ownValue, or from a Map.'
const CLOCK = 'Core is given its time.'
const REASON = 'A rule is set aside with a reason, after two dashes.'
const HOOKS = 'The rules of dependencies are never set aside: what is left out goes stale.'

const isTest = (path) => /\.test\.tsx?$|\/testing\//.test(path)
const isOwn = (path) => /^(src|app)\//.test(path) && !isTest(path)
const isCore = (path) => path.startsWith('src/core/') && !isTest(path)

/** The one place that reads by a name, after asking whose it is. */
const READS_BY_NAME = 'src/core/ownValue.ts'

/** All problems, as `path:line: sentence`. */
function brokenRules() {
  const api = new API({ cwd: ROOT })
  try {
    const config = `${ROOT}/tsconfig.json`
    const project = api.updateSnapshot({ openProjects: [config] }).getProject(config)
    const files = api.parseConfigFile(config).fileNames
    return files.flatMap((file) => {
      const path = relative(ROOT, file)
      const text = readFileSync(file, 'utf8')
      return [...(isOwn(path) ? brokenIn(path, text, project) : []), ...setAside(path, text)]
    })
  } finally {
    api.close()
  }
}

function brokenIn(path, text, { program, checker }) {
  const clocks = []
  const byName = []
  const objects = []
  const visit = (node) => {
    const object = path === READS_BY_NAME ? undefined : objectReadByName(node)
    if (object === IN) byName.push(node)
    else if (object) objects.push({ node, object })
    if (isCore(path) && isNow(node)) clocks.push(node)
    node.forEachChild(visit)
  }
  visit(program.getSourceFile(`${ROOT}/${path}`))
  const types = objects.length > 0 ? checker.getTypeAtLocation(objects.map(({ object }) => object)) : []
  for (const [at, { node }] of objects.entries()) if (isByAnyName(types[at], checker)) byName.push(node)
  const said = (nodes, what) =>
    nodes.map((node) => `${path}:${text.slice(0, node.getStart()).split('\n').length}: ${what}`)
  return [...said(byName, BY_NAME), ...said(clocks, CLOCK)]
}

/**
 * Names from data are never read from a plain object by brackets, destructuring or `in`: a region called `constructor`
 * would find what every object inherits. `ownValue` reads own properties only; a Map does too.
 */
function objectReadByName(node) {
  if (is.isElementAccessExpression(node)) {
    return isFixed(node.argumentExpression) || isWritten(node.parent, node) ? undefined : node.expression
  }
  if (is.isBindingElement(node) && node.propertyName && is.isComputedPropertyName(node.propertyName)) {
    return isFixed(node.propertyName.expression) ? undefined : node.parent
  }
  return is.isBinaryExpression(node) &&
    node.operatorToken.kind === SyntaxKind.InKeyword &&
    !isFixed(node.left)
    ? IN
    : undefined
}

/** Whatever the object: `in` finds what is inherited. */
const IN = Symbol('in')

const isFixed = (node) =>
  is.isStringLiteral(node) || is.isNoSubstitutionTemplateLiteral(node) || is.isNumericLiteral(node)

const isWritten = (parent, node) =>
  (is.isBinaryExpression(parent) &&
    parent.left === node &&
    parent.operatorToken.kind >= SyntaxKind.FirstAssignment &&
    parent.operatorToken.kind <= SyntaxKind.LastAssignment) ||
  is.isDeleteExpression(parent)

/** An object whose keys are any text; lists, typed arrays and records over known words are not. */
function isByAnyName(type, checker) {
  const own = type && checker.getNonNullableType(type)
  if (!own) return false
  const parts = own.flags & TypeFlags.Union ? own.getTypes() : [own]
  return parts.some((each) =>
    checker.getIndexInfosOfType(each).some(({ keyType }) => keyType.flags & TypeFlags.String),
  )
}

const isNow = (node) =>
  is.isNewExpression(node) &&
  is.isIdentifier(node.expression) &&
  node.expression.text === 'Date' &&
  !node.arguments?.length

function setAside(path, text) {
  return text.split('\n').flatMap((line, i) => {
    const directive = /(?:eslint|oxlint)-disable\S*\s+(.*)/.exec(line)?.[1]
    if (directive === undefined) return []
    const [rules, reason] = directive.split(' -- ')
    const problems = [!reason?.trim() && REASON, /\breact/.test(rules) && HOOKS].filter(Boolean)
    return problems.map((what) => `${path}:${i + 1}: ${what}`)
  })
}

const problems = brokenRules()
for (const problem of problems) console.log(problem)
process.exit(problems.length > 0 ? 1 : 0)
