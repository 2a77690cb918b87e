// Holds the painting of delivered pages against the pictures that Bristle paints itself.
//   look_test.mjs PAGE PROJECT PICTURES LIMIT [OUT]
// PICTURES holds SCREEN.DISPLAY.LANGUAGE.png, at the size of the display. Counted is the share of
// pixels that differ by more than 8/255 in some channel; letters, and the button that has focus
// with what flies out from it, which the pictures show at rest, are left out. LIMIT is a share, 0–1. OUT: a folder for the
// worst ten, side by side. Captions are held to their places by the brightness of cells of 8 px.
import { readFile, readdir, writeFile, mkdir } from 'node:fs/promises';
import { browser, opened } from './driver.mjs';

const [file, projectFile, folder, limit, out] = process.argv.slice(2);
const project = JSON.parse(await readFile(projectFile));
const chromium = await browser();
const bench = await (await chromium.newContext()).newPage();
const results = [];
for (const name of (await readdir(folder)).sort()) {
  const [screen, displayId, language] = name.split('.');
  const display = project.displays.find(d => d.id === displayId);
  if (!name.endsWith('.png') || !display) continue;
  const size = { width: Math.round(display.width), height: Math.round(display.height) };
  const page = await opened(chromium, file, { hold: '', scale: display.scale || 1, display: displayId, language, screen }, size, { reducedMotion: 'reduce' });
  await page.evaluate(() => globalThis.bristleAt(5000));
  await page.evaluate(() => new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done))));
  const apart = await page.evaluate(() => [...document.querySelectorAll('.words, button.item[tabindex="0"], [data-fly]')].map(e => {
    const r = e.getBoundingClientRect(), room = e.matches('button') ? 24 : 3;
    return [r.x - room, r.y - room, r.width + 2 * room, r.height + 2 * room];
  }));
  const words = await page.evaluate(() => [...document.querySelectorAll('.item:not([tabindex="0"]):not([data-fly]) .words')].map(e => {
    const r = e.getBoundingClientRect();
    return [r.x - 24, r.y - 6, r.width + 48, r.height + 12];
  }));
  const shot = (await page.screenshot()).toString('base64');
  const own = (await readFile(folder + '/' + name)).toString('base64');
  const [share, letters] = await bench.evaluate(async ([a, b, apart, words]) => {
    const pixels = async data => {
      const image = new Image();
      image.src = 'data:image/png;base64,' + data;
      await image.decode();
      const canvas = document.createElement('canvas');
      canvas.width = image.width;
      canvas.height = image.height;
      const context = canvas.getContext('2d', { willReadFrequently: true });
      context.drawImage(image, 0, 0);
      return context.getImageData(0, 0, image.width, image.height);
    };
    const [mine, theirs] = [await pixels(a), await pixels(b)];
    if (mine.width !== theirs.width || mine.height !== theirs.height) return [1, 1];
    // Captions may be drawn otherwise, and must stand in the same place: in cells of 8 px, on the average.
    let moved = 0, cells = 0;
    for (const [x, y, w, h] of words)
      for (let cy = Math.max(0, Math.floor(y)); cy + 8 < Math.min(mine.height, y + h); cy += 8)
        for (let cx = Math.max(0, Math.floor(x)); cx + 8 < Math.min(mine.width, x + w); cx += 8) {
          const sums = [0, 0];
          for (let i = 0; i < 64; ++i) {
            const at = ((cy + (i >> 3)) * mine.width + cx + (i & 7)) * 4 + 1;
            sums[0] += mine.data[at];
            sums[1] += theirs.data[at];
          }
          ++cells;
          if (Math.abs(sums[0] - sums[1]) / 64 > 28) ++moved;
        }
    const skip = new Uint8Array(mine.width * mine.height);
    for (const [x, y, w, h] of apart)
      for (let row = Math.max(0, Math.floor(y)); row < Math.min(mine.height, y + h); ++row)
        skip.fill(1, row * mine.width + Math.max(0, Math.floor(x)), row * mine.width + Math.min(mine.width, Math.ceil(x + w)));
    let differ = 0, all = 0;
    for (let i = 0; i < skip.length; ++i) {
      if (skip[i]) continue;
      ++all;
      for (let c = 0; c < 3; ++c) if (Math.abs(mine.data[i * 4 + c] - theirs.data[i * 4 + c]) > 8) { ++differ; break; }
    }
    return [differ / all, cells ? moved / cells : 0];
  }, [shot, own, apart, words]);
  results.push({ name, share, letters, shot, own });
  if (page.complaints.length) console.log(name + ': ' + page.complaints.join('; '));
  await page.context().close();
}
await chromium.close();
results.sort((a, b) => b.share - a.share);
for (const each of results.slice(0, 10)) console.log(`${(each.share * 100).toFixed(2)} %  ${each.name}`);
if (out) {
  await mkdir(out, { recursive: true });
  for (const each of results.slice(0, 10)) {
    await writeFile(`${out}/${each.name}.page.png`, Buffer.from(each.shot, 'base64'));
    await writeFile(`${out}/${each.name}.ours.png`, Buffer.from(each.own, 'base64'));
  }
}
const kLetters = 0.08;
console.log('captions: ' + results.map(each => each.letters).sort((a, b) => b - a).slice(0, 5).map(each => (each * 100).toFixed(1) + ' %').join(', '));
const over = results.filter(each => each.share > Number(limit) || each.letters > kLetters);
console.log(`${results.length} pictures, ${over.length} beyond ${Number(limit) * 100} %`);
process.exitCode = over.length || !results.length ? 1 : 0;
