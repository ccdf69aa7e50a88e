import { readFileSync } from 'node:fs';

import { defineConfig } from '@hey-api/openapi-ts';

/** The service's description. Refusals have one shape on every route and reach the page as a `ServiceError`, so they are left out here. */
const description = JSON.parse(readFileSync('../docs/openapi.json', 'utf8'));
for (const path of Object.values(description.paths))
  for (const operation of Object.values(path))
    for (const status of Object.keys(operation.responses))
      if (!status.startsWith('2')) delete operation.responses[status];
// what has a default is always there in what comes from the service, and the page sends things whole
for (const schema of Object.values(description.components.schemas))
  for (const [name, property] of Object.entries(schema.properties ?? {}))
    if ('default' in property) (schema.required ??= []).push(name);

/** Types, one function a route, and the options of its query. */
export default defineConfig({
  input: description,
  output: { path: 'src/api/gen', entryFile: false },
  parser: {
    hooks: {
      operations: {
        // a POST that makes something takes a key, so that it makes it once; without one it only computes, like a GET
        isQuery: ({ method, parameters }) =>
          method === 'get' || (method === 'post' && !parameters?.header?.['idempotency-key']),
      },
    },
  },
  plugins: [
    { name: '@hey-api/client-fetch', throwOnError: true },
    { name: '@hey-api/typescript', definitions: { name: (name) => name.replace(/Document$/, '') } },
    { name: '@hey-api/sdk', responseStyle: 'data' },
    { name: '@tanstack/react-query', mutationOptions: false },
  ],
});
