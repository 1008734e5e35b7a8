import { getPHPLoaderModule } from 'php-for-browsers'
import { loadPHPRuntime, PHP } from '@php-wasm/universal'

/**
 * The rules of the job on the device: the same PHP files that the server runs, in a PHP compiled for the browser.
 * One question at a time; the answer is what `bin/diastoma` would print.
 */
const files = import.meta.glob<string>('../../../core/{src,data}/**/*.{php,json}', { query: '?raw', import: 'default', eager: true })

const ENTRY = `<?php
spl_autoload_register(function ($class) {
  if (str_starts_with($class, 'Diastoma\\\\Core\\\\')) require '/core/src/'.strtr(substr($class, 14), '\\\\', '/').'.php';
});
$words = json_decode(file_get_contents('/words.json'), true);
$out = fopen('php://memory', 'w+');
$exit = (new Diastoma\\Core\\Console(['diastoma', ...$words], fopen('/input.json', 'r'), $out, $out))->run();
rewind($out);
echo json_encode(['exit' => $exit, 'out' => stream_get_contents($out)]);
`

export interface Question {
  id: number
  words: string[]
  input: unknown
}

export interface Answer {
  id: number
  exit: number
  out: string
}

let ready: Promise<PHP> | null = null

async function start(): Promise<PHP> {
  const php = new PHP(await loadPHPRuntime(await getPHPLoaderModule()))
  for (const [path, text] of Object.entries(files)) {
    const inside = path.slice(path.indexOf('/core/'))
    php.mkdirTree(inside.slice(0, inside.lastIndexOf('/')))
    php.writeFile(inside, text)
  }
  return php
}

let last: Promise<unknown> = Promise.resolve()

async function answer(question: Question): Promise<void> {
  try {
    const php = await (ready ??= start())
    php.writeFile('/words.json', JSON.stringify(question.words))
    php.writeFile('/input.json', JSON.stringify(question.input))
    const said = await php.run({ code: ENTRY })
    const { exit, out } = JSON.parse(said.text) as { exit: number; out: string }
    self.postMessage({ id: question.id, exit, out } satisfies Answer)
  } catch (error) {
    self.postMessage({ id: question.id, exit: 70, out: String(error) } satisfies Answer)
  }
}

self.addEventListener('message', (event: MessageEvent<Question>) => {
  last = last.then(() => answer(event.data))
})
