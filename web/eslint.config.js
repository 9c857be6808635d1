import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const features = ['services', 'apps', 'samples', 'visit'];

export default tseslint.config(
  { ignores: ['dist', 'target', 'src/api/schema.gen.ts', 'scripts'] },
  js.configs.recommended,
  tseslint.configs.strict,
  hooks.configs.flat.recommended,
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  // A feature never knows another one; what they share lives below them.
  ...features.map((feature) => ({
    files: [`src/features/${feature}/**`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: features
            .filter((other) => other !== feature)
            .map((other) => ({ group: [`@/features/${other}*`] })),
        },
      ],
    },
  })),
  {
    files: [
      'src/ui/**',
      'src/lib/**',
      'src/api/**',
      'src/sheet/**',
      'src/wire/**',
      'src/folio/**',
      'src/parts/**',
    ],
    rules: {
      'no-restricted-imports': ['error', { patterns: [{ group: ['@/features/*', '@/app/*'] }] }],
    },
  },
);
