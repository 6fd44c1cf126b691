// npm run mutate: does a test notice when one operator, limit or number of the core is wrong? A seeded sample of single-point mutants
// over packages/core/src is run against the core's own tests. `-- --sample 60 --seed 7 --only ledger --line 12` narrows it.
import { cpSync, mkdirSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import ts from 'typescript';
import { bin, DATA, ROOT, run } from './lib/run.mjs';

const words = process.argv.slice(2);
const option = (name, otherwise) => {
  const at = words.indexOf(`--${name}`);
  return at < 0 ? otherwise : words[at + 1];
};
const SAMPLE = Number(option('sample', 200));
const SEED = Number(option('seed', 20261128));
const ONLY = option('only', '');
const WORKERS = Number(option('workers', 2));
/** At least so many of a hundred are killed; the run fails below it. */
const LEAST = Number(option('least', 90));
const CORE = path.join(ROOT, 'packages/core');

const files = (folder, wanted) =>
  readdirSync(folder, { recursive: true })
    .map((name) => path.join(folder, name))
    .filter(wanted)
    .sort();

/** The same mixer as the core's `seededRandom`: the sample is the same on every machine. */
function seeded(seed) {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const SWAPS = {
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusEqualsToken]: '-=',
  [ts.SyntaxKind.MinusEqualsToken]: '+=',
  [ts.SyntaxKind.AsteriskEqualsToken]: '/=',
};

const TEXT = new Set(['standing', 'source', 'note', 'equation', 'title', 'unit']);

/** Every place of a file where one token can be wrong. */
function mutantsOf(file) {
  const text = readFileSync(file, 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ES2022, true);
  const found = [];
  const add = (node, becomes) => {
    const start = node.getStart(source);
    const { line } = source.getLineAndCharacterOfPosition(start);
    found.push({
      file,
      start,
      end: node.getEnd(),
      was: text.slice(start, node.getEnd()),
      becomes,
      line: line + 1,
      code: text.split('\n')[line].trim(),
    });
  };
  const visit = (node) => {
    // Types are the compiler's to check, and a bug of our own is no behavior.
    if (
      ts.isTypeNode(node) ||
      ts.isInterfaceDeclaration(node) ||
      ts.isTypeAliasDeclaration(node) ||
      ts.isImportDeclaration(node)
    )
      return;
    if (ts.isCallExpression(node) && node.expression.getText(source) === 'invariant') return;
    if (ts.isPropertyAssignment(node) && TEXT.has(node.name.getText(source))) return;
    if (ts.isBinaryExpression(node) && SWAPS[node.operatorToken.kind]) {
      // Joining texts is no arithmetic.
      const isText = [node.left, node.right].some(
        (side) => ts.isStringLiteralLike(side) || ts.isTemplateExpression(side),
      );
      if (!(isText && node.operatorToken.kind === ts.SyntaxKind.PlusToken))
        add(node.operatorToken, SWAPS[node.operatorToken.kind]);
    }
    if (ts.isNumericLiteral(node)) {
      const value = Number(node.text.replace(/_/g, ''));
      const whole = Number.isInteger(value) && Math.abs(value) < 20;
      add(node, whole ? String(value + 1) : String(value * 1.03));
    }
    if (node.kind === ts.SyntaxKind.TrueKeyword) add(node, 'false');
    if (node.kind === ts.SyntaxKind.FalseKeyword) add(node, 'true');
    if (ts.isPropertyAccessExpression(node) && node.expression.getText(source) === 'Math') {
      const other = { min: 'max', max: 'min', floor: 'ceil', ceil: 'floor' }[node.name.text];
      if (other) add(node.name, other);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

const relative = (file) => path.relative(path.join(CORE, 'src'), file);
/** Mutants that change nothing anybody could see, by name, with the reason. */
const EQUIVALENT = JSON.parse(readFileSync(path.join(CORE, 'test/equivalent-mutants.json'), 'utf8'));
const isEquivalent = (mutant) =>
  EQUIVALENT.find(
    (known) =>
      known.file === relative(mutant.file) &&
      known.code === mutant.code &&
      known.was === mutant.was &&
      known.becomes === mutant.becomes,
  );

const sources = files(
  path.join(CORE, 'src'),
  (file) => file.endsWith('.ts') && !file.endsWith('.spec.ts') && !file.endsWith('index.ts'),
).filter((file) => relative(file).startsWith(ONLY));
const specs = [
  ...files(path.join(CORE, 'src'), (file) => file.endsWith('.spec.ts')),
  ...files(path.join(CORE, 'test'), (file) => file.endsWith('.spec.ts')),
];
// One compares a page of ours with the checks, one builds the whole core first: neither is a test of a number.
const SLOW = ['science.spec.ts', 'book-file.spec.ts'];
const specTexts = specs
  .filter((spec) => !SLOW.includes(path.basename(spec)))
  .map((spec) => ({ spec: path.relative(CORE, spec), text: readFileSync(spec, 'utf8') }));

/** Specs that name something which the file exports come first, the rest only when those did not notice. */
function stages(file) {
  const text = readFileSync(file, 'utf8');
  const names = [...text.matchAll(/export (?:async )?(?:function|const|class) (\w+)/g)].map((match) => match[1]);
  const near = specTexts.filter(
    (one) =>
      path.dirname(path.join(CORE, one.spec)) === path.dirname(file) ||
      names.some((name) => new RegExp(`\\b${name}\\b`).test(one.text)),
  );
  const far = specTexts.filter((one) => !near.includes(one));
  return [near, far].map((list) => list.map(({ spec }) => spec)).filter((list) => list.length > 0);
}

function workplace(number) {
  const root = path.join(DATA, 'mutate', String(number));
  rmSync(root, { recursive: true, force: true });
  mkdirSync(root, { recursive: true });
  for (const part of [
    'packages/core/src',
    'packages/core/test',
    'packages/core/solver',
    'packages/core/cli',
    'packages/core/package.json',
    'docs',
    'tsconfig.base.json',
  ])
    cpSync(path.join(ROOT, part), path.join(root, part), { recursive: true });
  symlinkSync(path.join(ROOT, 'node_modules'), path.join(root, 'node_modules'));
  const core = path.join(root, 'packages/core');
  writeFileSync(
    path.join(core, 'vitest.config.mjs'),
    `import { defineConfig } from 'vitest/config';
export default defineConfig({ test: { include: ['src/**/*.spec.ts', 'test/**/*.spec.ts'], testTimeout: 20_000, pool: 'threads', maxWorkers: 1, isolate: false } });
`,
  );
  return core;
}

async function tryOne(root, mutant) {
  const target = path.join(root, 'src', relative(mutant.file));
  const text = readFileSync(mutant.file, 'utf8');
  writeFileSync(target, text.slice(0, mutant.start) + mutant.becomes + text.slice(mutant.end));
  try {
    for (const list of stages(mutant.file)) {
      // An endless loop is noticed too: by the clock.
      const { code } = await run(bin('vitest'), ['run', '--bail', '1', '--reporter', 'dot', ...list], {
        cwd: root,
        timeout: 120_000,
      });
      if (code !== 0) return true;
    }
    return false;
  } finally {
    writeFileSync(target, text);
  }
}

const all = sources.flatMap(mutantsOf);
const random = seeded(SEED);
const order = all.map((mutant) => ({ mutant, at: random() })).sort((a, b) => a.at - b.at);
const sample = order
  .map(({ mutant }) => mutant)
  .filter((mutant) => !isEquivalent(mutant))
  .slice(0, SAMPLE);
console.log(
  `${all.length} single-point mutants of ${sources.length} files; ${sample.length} drawn with the seed ${SEED}, ${EQUIVALENT.length} known to change nothing left out`,
);

const results = [];
let next = 0;
const started = Date.now();
async function work(number) {
  const root = workplace(number);
  // What does not hold without a mutant says nothing about one.
  const { code, output } = await run(
    bin('vitest'),
    ['run', '--reporter', 'dot', ...specTexts.map(({ spec }) => spec)],
    { cwd: root },
  );
  if (code !== 0) throw new Error(`the tests fail without any mutant:\n${output.slice(-4000)}`);
  while (next < sample.length) {
    const mutant = sample[next++];
    const killed = await tryOne(root, mutant);
    results.push({ mutant, killed });
    if (!killed)
      console.log(
        `survived  ${relative(mutant.file)}:${mutant.line}  ${mutant.was} -> ${mutant.becomes}   ${mutant.code.slice(0, 140)}`,
      );
  }
}
function report() {
  const folders = new Map();
  for (const { mutant, killed } of results) {
    const folder = relative(mutant.file).split(path.sep)[0];
    const score = folders.get(folder) ?? { killed: 0, all: 0 };
    folders.set(folder, { killed: score.killed + Number(killed), all: score.all + 1 });
  }
  const percent = ({ killed, all: of }) => `${((100 * killed) / of).toFixed(0)} %`.padStart(6);
  for (const [folder, score] of [...folders].sort())
    console.log(`${folder.padEnd(12)}${percent(score)}  ${score.killed} of ${score.all}`);
  const total = { killed: results.filter(({ killed }) => killed).length, all: results.length };
  console.log(
    `${'all'.padEnd(12)}${percent(total)}  ${total.killed} of ${total.all} in ${Math.round((Date.now() - started) / 1000)} s`,
  );
  return total.killed >= (LEAST / 100) * total.all;
}

// A run that is stopped says how far it came.
for (const signal of ['SIGINT', 'SIGTERM'])
  process.once(signal, () => {
    report();
    process.exit(1);
  });
await Promise.all(Array.from({ length: WORKERS }, (_, number) => work(number)));
process.exit(report() ? 0 : 1);
