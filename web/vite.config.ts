import react from '@vitejs/plugin-react';
import { defineConfig, loadEnv } from 'vite';

export default defineConfig(({ mode }) => {
  // in development the page's requests go on to the service, which takes them for its own page's
  const service = loadEnv(mode, '.', 'LOFTY_').LOFTY_SERVICE ?? 'http://127.0.0.1:8418';
  const handedOn = { target: service, changeOrigin: true, headers: { origin: service } };
  return {
    plugins: [react()],
    build: { target: 'es2022', assetsInlineLimit: 0, chunkSizeWarningLimit: 1000 },
    server: { proxy: { '/api': handedOn, '/enter': handedOn } },
  };
});
