// Builds assets/ with styles, scripts and fonts from the packages and from src/.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { rollup } from 'rollup';
import subset from 'subset-font';
import { minify } from 'terser';

const out = join(process.argv[2] ?? 'target/static', 'assets');
mkdirSync(join(out, 'fonts'), { recursive: true });

// Four fixed weights weigh half of what the variable fonts do, and less without signs that no page has; a page has 120 kB to spend.
const from = (first, last) => Array.from({ length: last - first + 1 }, (_, i) => String.fromCodePoint(first + i)).join('');
const signs = from(0x20, 0x7e) + from(0xa0, 0xff) + from(0x2013, 0x2026) + 'ıŒœ‰′″‹›⁄€™←↑→↓−≈≤≥\u2009\u202f';
const fonts = [
  ['bricolage-grotesque', 700, 'display'],
  ['atkinson-hyperlegible-next', 400, 'text'],
  ['atkinson-hyperlegible-next', 700, 'text-bold'],
  ['martian-mono', 600, 'figures'],
];
for (const [name, weight, as] of fonts) {
  const whole = readFileSync(`node_modules/@fontsource/${name}/files/${name}-latin-${weight}-normal.woff2`);
  writeFileSync(join(out, 'fonts', `${as}.woff2`), await subset(whole, signs, { targetFormat: 'woff2' }));
  // The same as the server draws with them, on the card of a report.
  if (['display', 'text'].includes(as)) writeFileSync(join(out, 'fonts', `${as}.ttf`), await subset(whole, signs, { targetFormat: 'truetype' }));
}

const copies = {
  'node_modules/htmx.org/dist/htmx.min.js': 'htmx.js',
  'node_modules/@alpinejs/csp/dist/cdn.min.js': 'alpine.js',
  'src/mark.svg': 'mark.svg',
};
for (const [from, to] of Object.entries(copies)) cpSync(from, join(out, to));

// Our own scripts, without what only their reader needs; the run sheet's modules become one.
const bundle = await rollup({ input: 'src/run/main.js', onwarn: (w) => { if (w.code !== 'CIRCULAR_DEPENDENCY') throw new Error(w.message); } });
const { output } = await bundle.generate({ format: 'iife' });
writeFileSync(join(out, 'run.js'), (await minify(output[0].code)).code);
for (const script of readdirSync('src').filter((name) => name.endsWith('.js'))) {
  const { code } = await minify(readFileSync(join('src', script), 'utf8'), { toplevel: true });
  writeFileSync(join(out, script), code);
}

const notices = ['htmx.org', '@alpinejs/csp', '@fontsource/bricolage-grotesque', '@fontsource/atkinson-hyperlegible-next', '@fontsource/martian-mono']
  .map((name) => {
    const { version, license } = JSON.parse(readFileSync(`node_modules/${name}/package.json`, 'utf8'));
    return `${name} ${version}, ${license}`;
  });
writeFileSync(join(out, 'notices.txt'), notices.join('\n') + '\n');

execFileSync('node', ['node_modules/@tailwindcss/cli/dist/index.mjs', '-i', 'src/even-sheen.css', '-o', join(out, 'even-sheen.css'), '--minify'], {
  stdio: ['ignore', 'ignore', 'inherit'],
});
