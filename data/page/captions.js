// What is to be seen
const screens = new Map(), items = new Map();
const canvas = document.createElement('canvas').getContext('2d');
const widths = new Map();
function measured(font, spacing, text) {
  const key = font + '\n' + spacing + '\n' + text;
  let known = widths.get(key);
  if (known) return known;
  if (widths.size > 4000) widths.clear();
  canvas.font = font;
  canvas.letterSpacing = spacing + 'px';
  const all = canvas.measureText(text), capital = canvas.measureText('H');
  known = { w: all.width, ascent: all.fontBoundingBoxAscent, line: all.fontBoundingBoxAscent + all.fontBoundingBoxDescent, capital: capital.actualBoundingBoxAscent };
  widths.set(key, known);
  return known;
}
// One family, or several of which the first counts that has the letter.
const quoted = families => [...families.split(',').map(each => '"' + each.trim().replace(/["\\]/g, '') + '"'), 'system-ui', 'sans-serif'].join(', ');
// A caption as it is set in its room: one line or two, shrunk or cut where it is too long.
function setCaption(t) {
  const words = t.letters === 'upper' ? t.words.toLocaleUpperCase() : t.letters === 'lower' ? t.words.toLocaleLowerCase() : t.words;
  const weight = Math.round(t.weight);
  const fontAt = size => weight + ' ' + size + 'px ' + quoted(t.family);
  let size = Math.round(t.size), font = fontAt(size), lines = [words];
  const width = (f, line) => measured(f, t.spacing, line).w;
  const broken = f => {
    if (!t.two || width(f, words) <= t.w) return [words];
    const parts = words.split(' ');
    let n = parts.length - 1;
    while (n > 1 && width(f, parts.slice(0, n).join(' ')) > t.w) --n;
    return [parts.slice(0, n).join(' '), parts.slice(n).join(' ')].filter(each => each);
  };
  lines = broken(font);
  const widest = f => Math.max(...lines.map(line => width(f, line)));
  if (t.over === 'shrink' && widest(font) > t.w + 0.5)
    for (let px = size; px >= t.size * 0.5; --px) {
      font = fontAt(px);
      lines = broken(font);
      if (widest(font) <= t.w) break;
    }
  if (t.over !== 'spill') lines = lines.map(line => {
    if (width(font, line) <= t.w + 0.5) return line;
    const letters = [...line];
    while (letters.length && width(font, letters.join('') + '…') > t.w) letters.pop();
    return letters.join('').trimEnd() + '…';
  });
  const m = measured(font, t.spacing, lines[0]);
  // Centred by the height of capitals, whatever room the font itself takes.
  const first = t.y + t.h / 2 - (m.ascent - m.capital / 2) - m.line * (lines.length - 1) / 2;
  return lines.map((line, i) => {
    const w = width(font, line), x = t.side < 0 ? t.x : t.side > 0 ? t.x + t.w - w : t.x + (t.w - w) / 2;
    const span = document.createElement('span');
    span.className = 'words';
    span.textContent = line;
    span.style.cssText = `left:${x}px;top:${first + i * m.line}px;line-height:${m.line}px;letter-spacing:${t.spacing}px;color:${t.colour}`;
    span.style.font = font.replace('px ', `px/${m.line}px `);
    return span;
  });
}
