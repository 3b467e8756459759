import js from '@eslint/js'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import regexp from 'eslint-plugin-regexp'
import ts from 'typescript-eslint'

// Imports point one way: core imports nothing of ours; contract imports core; content imports types of core;
// server and web import contract, core and content; devices import core; demo plays through the server's door. Never sideways.
const only = (...allowed) => ({
  'no-restricted-imports': [
    'error',
    {
      patterns: [
        { regex: `^@peen/(?!(?:${allowed.join('|') || 'none'})(?:/|$))`, message: 'Imports point one way; see docs/ARCHITECTURE.md.' },
        {
          regex: '^(?:\\.\\./)+(?:core|content|contract|devices|server|web|demo|wording|credential|bundle)/',
          message: 'Enter another room by its own door (@peen/...).'
        }
      ]
    }
  ]
})
const CORE_IS_PURE = [
  { name: 'window', message: 'core has no DOM' },
  { name: 'document', message: 'core has no DOM' },
  { name: 'fetch', message: 'core has no network' },
  { name: 'process', message: 'core has no environment' },
  { name: 'console', message: 'core does not print' }
]

const functionsOf = (max) => ({ 'max-lines-per-function': ['error', { max, skipBlankLines: true, skipComments: true }] })

const PAGE_IS_NO_SERVER = ['process', 'Buffer', '__dirname'].map((name) => ({ name, message: 'the page runs in a browser' }))
const SERVER_IS_NO_PAGE = ['window', 'document', 'localStorage'].map((name) => ({ name, message: 'the server has no page' }))

const WORDED = 'what people read stands in wording/, said by t()'
const NO_PROSE = [
  { selector: ':not(NewExpression) > Literal[value=/^[A-Z][a-z]+ [a-z]+/]', message: WORDED },
  {
    selector: 'TemplateElement[value.raw=/[a-z]{2} [a-z]{2,} [a-z]{2}/]:not(ObjectExpression TemplateElement[value.raw=/px/])',
    message: WORDED
  }
]

export default ts.config(
  { ignores: ['**/node_modules/**', 'web/dist/**', '.peen/**', 'server/drizzle/**', 'test-results/**'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  // what is no page knows no refs
  ...vue.configs['flat/recommended'].map((one) => ({ ...one, files: one.files ?? ['web/**/*.{ts,vue}'] })),
  { files: ['**/*.{js,mjs,ts}'], languageOptions: { globals: globals.node } },
  { files: ['web/**/*.{ts,vue}', 'e2e/**/*.ts', 'scripts/screens.ts'], languageOptions: { globals: globals.browser } },
  { files: ['**/*.vue'], languageOptions: { parserOptions: { parser: ts.parser } } },
  {
    rules: {
      'no-console': 'error',
      'no-undef': 'off', // TypeScript knows better
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/consistent-type-imports': 'error',
      // layout of templates is prettier's business, and long lines of classes read best as one
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/attributes-order': 'off',
      'vue/require-default-prop': 'off'
    }
  },
  {
    // tests and scripts read what we wrote ourselves
    files: ['{core,contract,server,web}/**/*.{ts,vue}', 'content/*.ts'],
    ignores: ['**/*.test.ts'],
    // a pattern takes time in proportion to the text: nothing that a person types can make one run for minutes
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }]
    }
  },
  {
    // by type, which takes time: where promises are
    files: ['{server,web,demo}/src/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }]
    }
  },
  { files: ['{core,contract,server}/src/**/*.ts'], ignores: ['**/*.test.ts', '**/testing/**'], rules: functionsOf(60) },
  // a composable or a store is a closure of small functions
  { files: ['web/src/**/*.ts'], ignores: ['**/*.test.ts'], rules: functionsOf(100) },
  { files: ['web/src/**/*.{ts,vue}'], rules: { 'no-restricted-globals': ['error', ...PAGE_IS_NO_SERVER] } },
  { files: ['{server,demo,devices}/src/**/*.ts'], rules: { 'no-restricted-globals': ['error', ...SERVER_IS_NO_PAGE] } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      ...only('core'),
      'no-restricted-globals': ['error', ...CORE_IS_PURE],
      'no-restricted-syntax': [
        'error',
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: 'randomness is an argument' },
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'time is an argument' },
        { selector: "MemberExpression[object.name='Date'][property.name='now']", message: 'time is an argument' }
      ]
    }
  },
  { files: ['core/src/**/*.test.ts'], rules: only('core', 'content') },
  { files: ['content/**/*.ts'], rules: only('core') },
  { files: ['contract/src/**/*.ts'], rules: only('core', 'wording') },
  { files: ['contract/src/**/*.test.ts'], rules: only('core', 'content', 'wording') },
  // what measures never sees the camera's truth: no room but devices and scripts may enter @peen/devices
  { files: ['devices/src/**/*.ts'], ignores: ['**/*.test.ts'], rules: only('core') },
  { files: ['devices/src/**/*.test.ts'], rules: only('core', 'content') },
  { files: ['server/src/**/*.ts'], rules: only('core', 'content', 'contract', 'wording', 'credential', 'bundle') },
  {
    // the door of a feature serves its endpoints: what is asked of the database stands beside it
    files: ['server/src/features/*/index.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        { selector: 'ImportDeclaration[source.value=/^drizzle-orm|db$/]', message: 'queries stand beside the door' }
      ]
    }
  },
  { files: ['web/src/**/*.{ts,vue}'], rules: only('core', 'content', 'contract', 'wording') },
  { files: ['web/verify/**/*.ts'], languageOptions: { globals: globals.browser } },
  { files: ['wording/src/**/*.ts'], rules: only() },
  { files: ['credential/src/**/*.ts'], rules: only() },
  { files: ['bundle/src/**/*.ts'], rules: only('core', 'content', 'credential') },
  {
    // a screen says nothing of its own: sentences stand in wording/
    files: ['web/src/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts', 'web/src/testing/**'],
    rules: { 'no-restricted-syntax': ['error', ...NO_PROSE] }
  },
  {
    files: ['web/src/**/*.vue'],
    rules: {
      'vue/no-bare-strings-in-template': [
        'error',
        {
          allowlist: [
            '(',
            ')',
            ',',
            '.',
            '&',
            '+',
            '-',
            '=',
            '*',
            '/',
            '#',
            '%',
            '!',
            '?',
            ':',
            ';',
            '[',
            ']',
            '|',
            '…',
            '·',
            '×',
            '–',
            '→',
            'mm',
            'min',
            'kg',
            'Esc',
            '0',
            '100',
            '⠿',
            '⋮⋮',
            '−',
            'm',
            '°',
            '1/8'
          ],
          attributes: { '/.+/': ['title', 'aria-label', 'aria-description', 'label', 'placeholder', 'alt', 'caption', 'what', 'heading'] }
        }
      ]
    }
  },
  { files: ['demo/src/**/*.ts'], ignores: ['**/*.test.ts', 'demo/src/testing/**'], rules: only('core', 'content', 'contract', 'server') },
  { files: ['scripts/**/*'], rules: { 'no-console': 'off' } }
)
