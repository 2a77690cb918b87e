// For whoever drives the page instead of a clock.
function drivenFromOutside() {
  globalThis.bristleAt = at => { heldAt = at; turn(); };
  globalThis.bristleRead = () => { readControllers(); turn(); };
  globalThis.bristleFeed = feed;
  globalThis.bristleTrace = () => { turn(); return trace.splice(0); };
  globalThis.bristleTop = () => textAt(lib.top());
  globalThis.bristleMiddle = id => {
    turn();
    const hit = [...items.values()].find(item => item.was.id === id && item.was.hit && item.element.closest('section:not([inert])'))?.was.hit;
    return hit && [(hit[0] + hit[2] / 2) * factor, (hit[1] + hit[3] / 2) * factor];
  };
}

load().then(() => document.fonts.ready).then(async () => {
  running.replaceChildren(scaled);
  // All of them, before anything is measured: else the first look is set by another font.
  await Promise.all([...document.fonts].map(face => face.load().catch(() => {})));
  start(asked.get('screen') || '');
  turn();
  document.documentElement.dataset.runs = '1';
  if (held) drivenFromOutside();
  else requestAnimationFrame(eachFrame);
}).catch(error => giveUp(String(error.message || error)));
