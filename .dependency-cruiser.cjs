// Rules inside the rooms. Between rooms, eslint.config.js says who may import whom.
module.exports = {
  forbidden: [
    {
      name: 'no-ring',
      comment: 'Two files that import each other are one file, or hide a third that both need.',
      severity: 'error',
      from: {},
      to: { circular: true }
    },
    {
      name: 'subject-by-its-door',
      comment: 'A subject of core is entered by its index.ts.',
      severity: 'error',
      from: { path: '^core/src/([^/]+)/' },
      to: { path: '^core/src/[^/]+/', pathNot: ['^core/src/$1/', '^core/src/[^/]+/index\\.ts$'] }
    },
    {
      name: 'feature-by-its-door',
      comment: 'A feature of the server is entered by its index.ts.',
      severity: 'error',
      from: { path: '^server/src/features/([^/]+)/' },
      to: { path: '^server/src/features/[^/]+/', pathNot: ['^server/src/features/$1/', '^server/src/features/[^/]+/index\\.ts$'] }
    },
    {
      name: 'nothing-dead',
      comment: 'A file that no file imports is dead, unless a command starts it.',
      severity: 'error',
      from: { orphan: true, pathNot: ['\\.d\\.ts$', '(^|/)(main|prepare|staff|index)\\.ts$', 'examples/'] },
      to: {}
    }
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: ['\\.test\\.ts$', '/testing/', 'dist/'] },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'types', 'default'] }
  }
}
