// Plays takes in delivered pages, and holds their traces to the native ones.
//   page_test.mjs PAGE PROJECT TAKE TRACE [TAKE TRACE …]
import { readFile } from 'node:fs/promises';
import { act, browser, opened } from './driver.mjs';

const [file, projectFile, ...rest] = process.argv.slice(2);
const project = JSON.parse(await readFile(projectFile));
const chromium = await browser();
let failed = 0, real = 0, steps = 0;
for (let i = 0; i < rest.length; i += 2) {
  const lines = (await readFile(rest[i], 'utf8')).split('\n').filter(line => line.trim()).map(line => JSON.parse(line));
  const head = lines.shift();
  const display = project.displays.find(d => d.id === head.display) || project.displays[0];
  const scale = display.scale || 1;
  const size = { width: Math.round(display.width / scale), height: Math.round(display.height / scale) };
  const query = { hold: '', scale: 1, display: display.id, language: head.language || project.languages?.[0]?.id || '', ...(head.screen ? { screen: head.screen } : {}) };
  const page = await opened(chromium, file, query, size);
  const trace = [];
  for (const step of lines) {
    await page.evaluate(at => globalThis.bristleAt(at), step.at);
    if (!step.do) continue;
    ++steps;
    if (!await act(page, project, step)) break;
    trace.push(...await page.evaluate(() => globalThis.bristleTrace()));
  }
  trace.push(...await page.evaluate(() => globalThis.bristleTrace()));
  const native = (await readFile(rest[i + 1], 'utf8')).split('\n').filter(line => line);
  const at = native.findIndex((line, n) => line !== trace[n]);
  if (at >= 0 || page.complaints.length) {
    ++failed;
    console.log(`${rest[i]}: line ${at + 1}: natively “${native[at]}”, in the page “${trace[at]}”`);
    page.complaints.forEach(each => console.log('  ' + each));
  }
  ++real;
  await page.context().close();
}
await chromium.close();
console.log(`${real} takes, ${steps} steps in the page, ${failed} differ`);
process.exitCode = failed ? 1 : 0;
