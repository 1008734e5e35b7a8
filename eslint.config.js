import hooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

// ui imports no concern; concerns do not import each other's insides (steps, ui, api and outbox are shared).
const concerns = ['bench', 'joint', 'line', 'procedures', 'records', 'section', 'stores']
const others = (own) => concerns.filter((c) => c !== own).map((c) => `**/${c}/*`)

export default tseslint.config(
  { ignores: ['resources/js/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  {
    files: ['resources/js/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  {
    files: ['resources/js/{ui,api,outbox,steps}/**/*'],
    rules: { 'no-restricted-imports': ['error', { patterns: concerns.map((c) => `**/${c}/*`) }] },
  },
  ...concerns.map((c) => ({ files: [`resources/js/${c}/**/*`], rules: { 'no-restricted-imports': ['error', { patterns: others(c) }] } })),
  { rules: { '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_', argsIgnorePattern: '^_' }] } },
)
