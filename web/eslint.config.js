import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Folders may import from those to their right only. */
const order = ['places', 'looks', 'sandwich', 'api', 'shared', 'words', 'theme'];

const LABELS = '/^(title|label|aria-label|alt|placeholder|text|help|hint)$/';
const said = "Every text goes through the catalogue: t('…').";

/** Texts that no catalogue would know. */
const UNTOLD = [
  { selector: 'JSXText[value=/[A-Za-z]{2}/]', message: said },
  { selector: `JSXAttribute[name.name=${LABELS}] > Literal[value=/[A-Za-z]{2}/]`, message: said },
  {
    selector: `JSXAttribute[name.name=${LABELS}] > JSXExpressionContainer > TemplateLiteral:has(TemplateElement[value.raw=/[A-Za-z]{2}/])`,
    message: said,
  },
  {
    selector: 'JSXExpressionContainer > ConditionalExpression > Literal[value=/[a-z]{2} [a-z]{2}/]',
    message: said,
  },
  { selector: 'CallExpression[callee.name=say] > Literal', message: said },
  { selector: 'CallExpression[callee.name=say] > TemplateLiteral', message: said },
];

const importRules = order.map((folder, index) => ({
  files: [`src/${folder}/**/*.{ts,tsx}`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: order
          .slice(0, index)
          .map((left) => ({ group: [`**/${left}/**`], message: `${folder} must not know ${left}` })),
      },
    ],
  },
}));

export default tseslint.config(
  { ignores: ['src/**/*.gen.ts', 'src/api/gen/**'] },
  ...tseslint.configs.strictTypeChecked,
  { languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } } },
  a11y.flatConfigs.strict,
  hooks.configs.flat['recommended-latest'],
  ...importRules,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      // what a component shows fits one screen of code; larger ones are split by what they show
      'max-lines-per-function': ['error', { max: 120, skipComments: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      // a canvas that shows a picture is one to a screen reader
      'jsx-a11y/no-interactive-element-to-noninteractive-role': ['error', { canvas: ['img'] }],
      'jsx-a11y/no-autofocus': ['error', { ignoreNonDOM: true }],
      'no-restricted-syntax': ['error', ...UNTOLD],
      'no-restricted-globals': ['error', { name: 'fetch', message: 'Only src/api talks to the service.' }],
    },
  },
);
