// How evenly a delivered page draws a hundred buttons on their way, in headless Chromium without a
// graphics processor; beside it the same page while nothing moves.
//   page_frames.mjs PAGE
import { chromium } from 'playwright-core';

const browser = await chromium.launch({ executablePath: process.env.CHROMIUM || '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--no-first-run'] });
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
await page.goto('file://' + process.argv[2]);
await page.waitForSelector('html[data-runs]', { timeout: 30000 });

// Intervals between frames for so many ms, sorted.
const frames = ms => page.evaluate(ms => new Promise(done => {
  const all = [];
  let before = 0, begun = 0;
  const next = now => {
    if (before) all.push(now - before);
    begun ||= now;
    before = now;
    if (now - begun < ms) requestAnimationFrame(next); else done(all.sort((a, b) => a - b));
  };
  requestAnimationFrame(next);
}), ms);
const tell = (what, all) => {
  const at = share => all[Math.min(all.length - 1, Math.floor(all.length * share))].toFixed(1);
  console.log(`${what}: ${(1000 * all.length / all.reduce((a, b) => a + b, 0)).toFixed(1)} frames a second; median ${at(0.5)} ms, 95 of 100 within ${at(0.95)} ms, worst ${at(1)} ms`);
};
tell('at rest', await frames(2000));
const turn = setInterval(() => page.keyboard.press('Enter').catch(() => {}), 800);
tell('a hundred buttons on their way', await frames(6000));
clearInterval(turn);
await browser.close();
