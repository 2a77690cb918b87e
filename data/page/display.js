// Which display, and how large
const asked = new URLSearchParams(location.search);
let display, language = asked.get('language') || preferredLanguage(), size;
function preferredLanguage() {
  for (const tag of navigator.languages || [navigator.language]) {
    const fits = info.languages.find(l => l.tag === tag) ||
      info.languages.find(l => l.tag.split('-')[0] === tag.split('-')[0]);
    if (fits) return fits.id;
  }
  return info.languages[0].id;
}
const firstRatio = devicePixelRatio;
// The window as it was before anybody zoomed: zooming makes the menu larger.
const windowSize = () => {
  const zoom = devicePixelRatio / firstRatio;
  return { w: innerWidth * zoom, h: innerHeight * zoom };
};
function nearestDisplay() {
  const named = info.displays.find(d => d.id === asked.get('display'));
  if (named) return named;
  const { w, h } = windowSize();
  const far = d => Math.abs(Math.log(w / h / (d.w / d.h))) * 2 + Math.abs(Math.log(h / d.h)) * 0.5;
  return info.displays.reduce((best, d) => far(d) < far(best) ? d : best);
}
// As wide or high as the window is, where that is not far from the display: its pins do the rest.
function layoutSize(d) {
  const w = d.w / d.scale, h = d.h / d.scale;
  if (asked.get('display')) return { w, h };
  const ratio = windowSize().w / windowSize().h, own = w / h;
  if (Math.abs(Math.log(ratio / own)) > 0.25) return { w, h };
  return ratio > own ? { w: h * ratio, h } : { w, h: w / ratio };
}
function fit() {
  const { w, h } = windowSize();
  factor = asked.get('scale') ? Number(asked.get('scale')) : Math.min(w / size.w, h / size.h);
  scaled.style.width = size.w + 'px';
  scaled.style.height = size.h + 'px';
  scaled.style.transform = 'scale(' + factor + ')';
  running.style.width = size.w * factor + 'px';
  running.style.height = size.h * factor + 'px';
}
function start(screen) {
  display = nearestDisplay();
  size = layoutSize(display);
  const own = asked.get('display');
  const dark = info.darkSet || (info.twoSets && matchMedia('(prefers-color-scheme: dark)').matches);
  const runs = withText(display.id, d => withText(language, l => withText(screen, s =>
    lib.start(d, l, s, own ? 0 : size.w, own ? 0 : size.h, dark ? 1 : 0))));
  if (!runs) throw new Error('it cannot be started');
  began = performance.now();
  lib.reduce(matchMedia('(prefers-reduced-motion: reduce)').matches ? 1 : 0);
  speak(language);
  fit();
}
function speak(id) {
  const now = info.languages.find(l => l.id === id) || info.languages[0];
  language = now.id;
  document.documentElement.lang = now.tag;
  scaled.dir = now.rtl ? 'rtl' : 'ltr';
}
