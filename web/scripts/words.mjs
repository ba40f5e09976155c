// Lists every template that the page says, so that a language file can be written against it: `npm run words` writes the
// list, and with --check it fails when the list is not current.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import ts from 'typescript';

const web = new URL('..', import.meta.url);
const list = new URL('words.json', web);

/** The template of a tagged text, as `say` puts it together: numbered places where something is filled in. */
function templateOf(text) {
  if (ts.isNoSubstitutionTemplateLiteral(text)) return text.text;
  return text.head.text + text.templateSpans.map((span, i) => `{${i}}${span.literal.text}`).join('');
}

function templatesIn(path) {
  const source = ts.createSourceFile(path, readFileSync(new URL(path, web), 'utf8'), ts.ScriptTarget.Latest, false);
  const found = [];
  const visit = (node) => {
    if (ts.isTaggedTemplateExpression(node) && node.tag.text === 'say') found.push(templateOf(node.template));
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Units come from the core's table, and the locale stands where it is asked for. */
const units = Object.values(JSON.parse(readFileSync(new URL('src/measures/units.json', web), 'utf8'))).flatMap(({ text, us }) => [text, us?.symbol ?? '']);
const paths = readdirSync(new URL('src', web), { recursive: true })
  .filter((path) => /\.tsx?$/.test(path) && !path.includes('.test.'))
  .map((path) => `src/${path}`);
const templates = [...new Set([...paths.flatMap(templatesIn), ...units, 'en-GB'])].filter((text) => text !== '').sort();
const json = `${JSON.stringify(templates, null, 2)}\n`;
if (!process.argv.includes('--check')) {
  writeFileSync(list, json);
} else if (json !== readFileSync(list, 'utf8')) {
  console.error('web/words.json is not current: run `npm run words`.');
  process.exit(1);
}
