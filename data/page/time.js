// Time. With ?hold the page waits for whoever drives it (bristleAt).
const held = asked.has('hold');
let heldAt = 0;
const now = () => held ? heldAt : Math.round(performance.now() - began);
let dirty = true;
function turn() {
  if (lib.step(now())) dirty = true;
  if (!dirty) return;
  dirty = false;
  follow();
  announce(show());
}
function eachFrame() {
  readControllers();
  turn();
  requestAnimationFrame(eachFrame);
}
