// Makes the page's types from the schemas, so that neither can drift from the other.
import { execFileSync } from 'node:child_process';
import { mkdirSync, writeFileSync } from 'node:fs';
import { compile } from 'json-schema-to-typescript';

mkdirSync('resources/js/types', { recursive: true });
const named = {
    garden: 'Garden',
    report: 'Report',
    answers: 'Answers',
    entry: 'Entry',
    days: 'Days',
    diary: 'Diary',
    'dry-run': 'DryRun',
    odds: 'Odds',
    wish: 'Wish',
    'wish-answer': 'WishAnswer',
};
for (const [name, type] of Object.entries(named)) {
    const schema = JSON.parse(execFileSync('php', ['bin/kelp', 'schema', name], { encoding: 'utf8' }));
    // That one of two must be there is for the reader to check; as a type it would let everything in.
    delete schema.anyOf;
    const types = await compile(schema, type, {
        additionalProperties: false,
        bannerComment: `// Made from data/schemas/${name} by "npm run types"; do not edit.`,
        maxItems: -1,
        ignoreMinAndMaxItems: true,
        style: { singleQuote: true, tabWidth: 4 },
    });
    writeFileSync(`resources/js/types/${name}.ts`, types);
}
