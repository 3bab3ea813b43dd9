// Builds assets/ with styles, scripts and fonts from the packages and from src/.
import { execFileSync } from 'node:child_process';
import { cpSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { minify } from 'terser';

const out = join(process.argv[2] ?? 'target/static', 'assets');
mkdirSync(join(out, 'fonts'), { recursive: true });

// Four fixed weights weigh half of what the variable fonts do; a page has 120 kB to spend.
const font = (name, weight, as) => ({
  [`node_modules/@fontsource/${name}/files/${name}-latin-${weight}-normal.woff2`]: `fonts/${as}.woff2`,
});

const copies = {
  'node_modules/htmx.org/dist/htmx.min.js': 'htmx.js',
  'node_modules/@alpinejs/csp/dist/cdn.min.js': 'alpine.js',
  ...font('bricolage-grotesque', 700, 'display'),
  ...font('atkinson-hyperlegible-next', 400, 'text'),
  ...font('atkinson-hyperlegible-next', 700, 'text-bold'),
  ...font('martian-mono', 600, 'figures'),
  'src/mark.svg': 'mark.svg',
};
for (const [from, to] of Object.entries(copies)) cpSync(from, join(out, to));

// Our own scripts, without what only their reader needs.
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
