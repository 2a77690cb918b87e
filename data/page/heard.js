// What is to be heard, and said
let music, heard = false;
function play(file, volume, loops) {
  const data = info.sounds[file];
  if (!data || !heard) return null;
  const sound = new Audio(data);
  sound.volume = Math.max(0, Math.min(1, volume));
  sound.loop = loops;
  sound.play().catch(() => {});
  return sound;
}
let wanted = { file: '', volume: 0 };
function followMusic() {
  if (music?.file !== wanted.file || !music.sound) {
    music?.sound?.pause();
    music = { file: wanted.file, sound: wanted.file ? play(wanted.file, wanted.volume, true) : null };
  } else {
    music.sound.volume = wanted.volume;
  }
}
const trace = [];
function follow() {
  for (const e of JSON.parse(textAt(lib.happened()))) {
    if (held) trace.push(e.at + '\t' + e.line);
    if (e.type === Open || e.type === OnTop || e.type === Back) announced = e.screen;
    if (e.type === Sound) play(e.how, e.number, false);
    if (e.type === Music) { wanted = { file: e.how, volume: e.number }; followMusic(); }
    if (e.type === Speak) speak(e.how);
    if (e.type === Link) open(e.how, '_blank', 'noopener');
    if (e.type === Quit) ended();
  }
}
let announced = '';
function announce(frame) {
  if (!announced) return;
  const top = frame.screens.find(s => s.top);
  if (top) told.textContent = top.name;
  announced = '';
}
function ended() {
  wanted = { file: '', volume: 0 };
  followMusic();
  told.textContent = 'The menu was closed.';
}
