import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
    plugins: [react()],
    publicDir: false,
    base: '/build/',
    build: {
        outDir: 'public/build',
        manifest: 'manifest.json',
        rollupOptions: { input: ['resources/js/app/main.tsx', 'resources/js/site/watch.ts'] },
    },
    css: {
        preprocessorOptions: {
            scss: {
                quietDeps: true,
                silenceDeprecations: ['import', 'global-builtin', 'color-functions', 'if-function'],
            },
        },
    },
    test: { include: ['tests/js/**/*.test.ts'] },
} as Parameters<typeof defineConfig>[0]);
