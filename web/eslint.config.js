import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** Folders may import from those to their right only. */
const order = ['places', 'looks', 'sandwich', 'api', 'shared', 'theme'];

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
  { ignores: ['src/**/*.gen.ts'] },
  ...tseslint.configs.strict,
  hooks.configs.flat['recommended-latest'],
  ...importRules,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      'no-restricted-globals': ['error', { name: 'fetch', message: 'Only src/api talks to the service.' }],
    },
  },
);
