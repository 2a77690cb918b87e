// An audit of delivered pages by axe-core, and what Chromium's accessibility tree says of them.
//   access_test.mjs PAGE PROJECT
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { browser, opened } from './driver.mjs';

const [file, projectFile] = process.argv.slice(2);
const project = JSON.parse(await readFile(projectFile));
const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
const chromium = await browser();
let bad = 0;
const complain = words => { ++bad; console.log(words); };
for (const screen of project.screens) {
  const page = await opened(chromium, file, { hold: '', screen: screen.id }, { width: 1280, height: 800 }, { bypassCSP: true });
  await page.evaluate(() => globalThis.bristleAt(5000));
  await page.evaluate(axe);
  const found = await page.evaluate(() => globalThis.axe.run());
  for (const v of found.violations) complain(`${screen.name}: ${v.id}: ${v.help} (${v.nodes[0].html.slice(0, 160)})`);
  // Every button has its name, and Tab goes through them in the order of the document.
  const tree = await page.devtools.send('Accessibility.getFullAXTree');
  const buttons = tree.nodes.filter(n => n.role?.value === 'button' && !n.ignored);
  for (const button of buttons) if (!button.name?.value) complain(`${screen.name}: a button without a name`);
  const shown = await page.evaluate(() => [...document.querySelectorAll('section:not([inert]) button.item')].map(e => e.getAttribute('aria-label')));
  if (buttons.length !== shown.length) complain(`${screen.name}: ${buttons.length} buttons for screen readers, ${shown.length} are shown`);
  const names = buttons.map(b => b.name.value);
  if (JSON.stringify(names) !== JSON.stringify(shown)) complain(`${screen.name}: read in another order: ${names} / ${shown}`);
  const walked = [];
  for (let i = 0; i < shown.length; ++i) {
    walked.push(await page.evaluate(() => document.activeElement?.getAttribute('aria-label')));
    await page.keyboard.press('Tab');
    await page.evaluate(() => globalThis.bristleTrace());
  }
  const at = shown.indexOf(walked[0]);
  if (walked[0] === null || at < 0) complain(`${screen.name}: focus starts nowhere`);
  const told = await page.evaluate(() => document.getElementById('told').textContent);
  if (told !== screen.name) complain(`${screen.name}: told as “${told}”`);
  await page.context().close();
}
await chromium.close();
console.log(`${project.screens.length} screens, ${bad} complaints`);
process.exitCode = bad ? 1 : 0;
