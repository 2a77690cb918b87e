// Runs a program of WebAssembly with WASI under Node: wasi_run.mjs FILE.wasm ARGUMENT …
// Paths are taken from the working directory, and absolute ones as they are.
import { readFile } from "node:fs/promises";
import { WASI } from "node:wasi";

const [file, ...args] = process.argv.slice(2);
const wasi = new WASI({ version: "preview1", args: [file, ...args], env: {}, preopens: { "/": "/" } });
const module = await WebAssembly.compile(await readFile(file));
const instance = await WebAssembly.instantiate(module, { wasi_snapshot_preview1: wasi.wasiImport });
process.exitCode = wasi.start(instance);
