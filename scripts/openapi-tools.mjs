import { createConfig, lintFromString } from '@redocly/openapi-core';
import openapiTypescript, { astToString } from 'openapi-typescript';
import { text } from 'node:stream/consumers';

/**
 * What other people's tools make of the description of the API, for the tests: reads it from the standard input, and writes what
 * an outside linter finds in it and the types that an outside generator makes of it.
 */
const source = await text(process.stdin);
const config = await createConfig({ extends: ['recommended'] });
const found = await lintFromString({ source, absoluteRef: 'openapi.json', config });
const problems = found.map(({ ruleId, message, location }) => `${ruleId}: ${message} (${location[0]?.pointer})`);
const types = astToString(await openapiTypescript(source));
process.stdout.write(JSON.stringify({ problems, types }));
