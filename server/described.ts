import type { Described } from './api/endpoint';
import { ENDPOINTS } from './api/endpoints';
import { RECORD_FILES } from './files/routes';
import { PICTURE_FILES } from './pictures/routes';

/** Every address of the API, as it is published. */
export const DESCRIBED: readonly Described[] = [
  ...ENDPOINTS,
  ...RECORD_FILES,
  ...PICTURE_FILES,
  {
    ...{ id: 'getDescription', method: 'get', path: '/openapi.json', summary: 'This description.' },
    answer: { schema: { type: 'object' }, description: 'OpenAPI 3.1' },
  },
];
