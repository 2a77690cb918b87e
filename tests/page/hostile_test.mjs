// A page whose project means harm: captions with markup are words and nothing else. And one in a
// browser that runs no WebAssembly, or no script at all: it says so, and shows the first screen.
//   hostile_test.mjs PAGE
// Every caption of the page's project is one of `captions`.
import { browser, opened } from './driver.mjs';

const [file] = process.argv.slice(2);
const chromium = await browser();
let bad = 0;
const complain = words => { ++bad; console.log(words); };

const page = await opened(chromium, file, { hold: '' }, { width: 1280, height: 800 });
await page.evaluate(() => globalThis.bristleAt(5000));
const found = await page.evaluate(() => ({
  scripts: document.scripts.length,
  images: [...document.images].map(i => i.getAttribute('src')),
  harm: globalThis.harm,
  names: [...document.querySelectorAll('button.item')].map(b => b.getAttribute('aria-label')),
  inner: [...document.querySelectorAll('.words')].map(w => w.textContent),
  strange: document.querySelectorAll('iframe, object, a, form, [onerror], [onload], [onclick]').length,
}));
if (found.harm !== undefined) complain('a caption was run as script');
if (found.scripts !== 4) complain(`${found.scripts} scripts instead of 4`);
if (found.images.some(src => src && !src.startsWith('data:'))) complain('a caption became a picture: ' + found.images);
if (found.strange) complain('a caption became an element');
const all = found.names.concat(found.inner).join('\n');
for (const part of ['<script>', '<img src=x', '"><b>', '\u202e', '&lt;', '</script>']) if (!all.includes(part)) complain('lost: ' + part);
for (const words of page.complaints) complain(words);
await page.context().close();

// `prepare` takes something away from the browser before the page is there.
async function without(what, options, prepare) {
  const context = await chromium.newContext({ viewport: { width: 1280, height: 800 }, ...options });
  const bare = await context.newPage();
  if (prepare) await bare.addInitScript(prepare);
  await bare.goto('file://' + file);
  const image = bare.locator('img').first();
  await image.waitFor({ state: 'visible', timeout: 20000 }).catch(() => complain(`without ${what}: no picture of the first screen`));
  const words = await bare.locator('body').innerText();
  if (!words.includes('WebAssembly')) complain(`without ${what}: it does not say what it lacks: ${words.slice(0, 100)}`);
  const wide = await image.evaluate(i => i.naturalWidth).catch(() => 0);
  if (options.javaScriptEnabled !== false && !(wide > 100)) complain(`without ${what}: the picture is empty`);
  await context.close();
}
await without('WebAssembly', {}, () => { delete globalThis.WebAssembly; });
await without('scripts', { javaScriptEnabled: false });

await chromium.close();
console.log(`hostile captions and bare browsers: ${bad} complaints`);
process.exitCode = bad ? 1 : 0;
