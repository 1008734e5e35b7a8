import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

// ui imports no concern; concerns do not import each other's insides (steps, ui, api and outbox are shared).
const concerns = ['bench', 'day', 'joint', 'laying', 'line', 'procedures', 'records', 'section', 'stores']
const others = (own) => concerns.filter((c) => c !== own).map((c) => `**/${c}/*`)

export default tseslint.config(
  { ignores: ['resources/js/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  {
    files: ['resources/js/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: {
      'react-hooks/rules-of-hooks': 'error',
      'react-hooks/exhaustive-deps': 'error',
      // What an effect gives back is called at its end: a promise (scrollIntoView in newer browsers) breaks the page.
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.name=/^use(Layout)?Effect$/] > ArrowFunctionExpression[body.type="CallExpression"]',
          message: 'An effect has a body in braces, and gives back its end or nothing.',
        },
        {
          selector: 'CallExpression[callee.name=/^use(Layout)?Effect$/] > ArrowFunctionExpression[body.type="ChainExpression"]',
          message: 'An effect has a body in braces, and gives back its end or nothing.',
        },
      ],
    },
  },
  {
    files: ['resources/js/{ui,api,outbox,steps}/**/*'],
    rules: { 'no-restricted-imports': ['error', { patterns: concerns.map((c) => `**/${c}/*`) }] },
  },
  ...concerns.map((c) => ({ files: [`resources/js/${c}/**/*`], rules: { 'no-restricted-imports': ['error', { patterns: others(c) }] } })),
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }] } },
)
