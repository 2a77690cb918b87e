// What all parts of the page's script know, and the runtime's memory. The parts are put together in
// one function in the order of web_page.cpp. All that the menu does is decided by the runtime
// (WebAssembly); the script hands it what the devices do, and shows what it says is to be seen.
const written = id => document.getElementById(id).textContent;
const info = JSON.parse(written('info'));
const running = document.getElementById('running');
const told = document.getElementById('told');
const scaled = document.createElement('div');
scaled.id = 'scaled';
const Mouse = 0, Touch = 1, Keyboard = 2, Controller = 3;
const Up = 0, Down = 1, Left = 2, Right = 3;
const Point = 1, PointDown = 2, PointUp = 3, Scroll = 4, Move = 5, Step = 8, Gone = 9;
const Open = 3, OnTop = 4, Back = 5, Sound = 9, Quit = 15, Link = 19, Music = 20, Speak = 23;
let lib, memory, began, factor = 1;

// Says in words that it cannot run, and shows the first screen as a picture.
function giveUp(why) {
  const note = document.createElement('p');
  note.className = 'note';
  note.setAttribute('role', 'alert');
  note.textContent = 'This menu cannot run here: ' + why + '. Its first screen looks like this:';
  const still = document.createElement('img');
  still.alt = info.stillText;
  still.src = info.still;
  document.body.style.display = 'block';
  running.replaceChildren(note, still);
}

// Texts and bytes in the runtime's memory
const encoder = new TextEncoder(), decoder = new TextDecoder();
function withText(text, use) {
  const bytes = encoder.encode(text + '\0');
  const at = lib.take(bytes.length);
  new Uint8Array(memory.buffer, at, bytes.length).set(bytes);
  try { return use(at, bytes.length - 1); } finally { lib.give(at); }
}
function textAt(at) {
  const bytes = new Uint8Array(memory.buffer, at);
  return decoder.decode(bytes.subarray(0, bytes.indexOf(0)));
}
const bytesOf = base64 => Uint8Array.from(atob(base64.trim()), c => c.charCodeAt(0));

async function load() {
  if (typeof WebAssembly !== 'object') throw new Error('WebAssembly is switched off');
  const nothing = () => 0;  // the runtime opens no files and reads no clock
  const system = new Proxy({}, { get: () => nothing });
  const packed = new Blob([bytesOf(written('runtime'))]).stream();
  const unpacked = packed.pipeThrough(new DecompressionStream('deflate'));
  const module = await WebAssembly.compile(await new Response(unpacked).arrayBuffer());
  const wanted = {};
  for (const each of WebAssembly.Module.imports(module)) (wanted[each.module] ||= {})[each.name] = system[each.name];
  const made = await WebAssembly.instantiate(module, wanted);
  lib = made.exports;
  memory = lib.memory;
  lib._initialize?.();
  const why = withText(written('menu').trim() + '\n', (at, size) => textAt(lib.open(at, size)));
  if (why) throw new Error(why);
  for (const p of info.pictures) withText(p.file, at => lib.picture(at, p.n, p.w, p.h));
}
