// Apart from vite.config.ts: the server that plugin starts has no place in tests, and it refuses to run in CI.
import { availableParallelism } from 'node:os';
import { defineConfig } from 'vitest/config';

/** Milliseconds after which a test hangs. A slow or busy machine must not fail one. */
const HANGS = 60_000;

export default defineConfig({
    test: {
        include: ['resources/js/**/*.test.{ts,tsx}'],
        testTimeout: HANGS,
        // All of them: by itself it leaves one to a person who works beside it.
        maxWorkers: availableParallelism(),
        // For `npm run coverage`: every file of the interface counts, also one that no test reads.
        coverage: {
            provider: 'v8',
            include: ['resources/js/**/*.{ts,tsx}'],
            exclude: ['resources/js/tests/**', 'resources/js/api/generated.ts'],
            reporter: ['text-summary', 'json-summary'],
            reportsDirectory: 'var/coverage',
        },
    },
});
