// Apart from vite.config.ts: the server that plugin starts has no place in tests, and it refuses to run in CI.
import { defineConfig } from 'vitest/config';

export default defineConfig({ test: { include: ['resources/js/**/*.test.{ts,tsx}'] } });
