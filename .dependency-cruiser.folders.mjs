import rules from './.dependency-cruiser.cjs'

const { options } = rules

/** Tests may stand wherever what they test stands, so they are left out; a folder counts with all that lies in it. */
export default {
  forbidden: [
    {
      name: 'no-circles-of-folders',
      comment: 'Folders that know each other are one knot: part what both stand on from what stands on both.',
      severity: 'error',
      scope: 'folder',
      from: {},
      to: { circular: true },
    },
  ],
  options: { ...options, exclude: '\\.next|\\.test\\.tsx?$|/testing/' },
}
