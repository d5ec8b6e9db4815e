// The phone's Ruby: WebAssembly with the core and the stations in a folder in memory. Begun
// once a release, which takes seconds; then its memory is kept, and the next beginning puts it
// back, which takes none.
import { RubyVM } from "@ruby/wasm-wasi";
import { ConsoleStdout, Directory, File, OpenFile, PreopenDirectory, WASI } from "@bjorn3/browser_wasi_shim";
import { Rows } from "./rows.js";

const HOME = "/fenbo";
const ARGUMENTS = ["ruby.wasm", "-EUTF-8", "--disable-gems", "-e_=0"];
// Room enough that a page is drawn without clearing up in the middle of it, which took half of
// the time; 20 MB more of memory.
const ROOM = [
  "RUBY_GC_HEAP_INIT_SLOTS=700000",
  "RUBY_GC_HEAP_FREE_SLOTS=200000",
  "RUBY_GC_MALLOC_LIMIT=67108864",
  "RUBY_GC_MALLOC_LIMIT_MAX=134217728",
  "RUBY_GC_OLDMALLOC_LIMIT=134217728",
  "RUBY_GC_OLDMALLOC_LIMIT_MAX=268435456",
];
const PAGE = 65536;

function folder(files) {
  const root = new Map();
  const encoder = new TextEncoder();
  for (const [path, text] of Object.entries(files)) {
    const parts = path.split("/");
    let here = root;
    for (const name of parts.slice(0, -1)) {
      if (!here.has(name)) here.set(name, new Directory(new Map()));
      here = here.get(name).contents;
    }
    here.set(parts.at(-1), new File(encoder.encode(text)));
  }
  return root;
}

// A text as Ruby reads it between double quotes.
const quoted = (text) => JSON.stringify(text).replaceAll("#", "\\#").replaceAll("\u2028", "\\u2028");

export class Ruby {
  // module: the compiled runtime; files: path => text; memory: kept by an earlier one, or null.
  static async begin(module, files, memory) {
    const ruby = new Ruby();
    ruby.home = folder(files);
    ruby.home.set("rows", new Rows());
    const open = [
      new OpenFile(new File([])),
      ConsoleStdout.lineBuffered(() => {}),
      ConsoleStdout.lineBuffered(console.warn),
      new PreopenDirectory(HOME, ruby.home),
    ];
    const wasi = new WASI(["ruby.wasm"], ROOM, open, { debug: false });
    if (memory) {
      ruby.vm = new RubyVM();
      const imports = { wasi_snapshot_preview1: wasi.wasiImport };
      ruby.vm.addToImports(imports);
      ruby.instance = await WebAssembly.instantiate(module, imports);
      await ruby.vm.setInstance(ruby.instance);
      wasi.initialize(ruby.instance);
      ruby.put(memory);
    } else {
      const { vm, instance } = await RubyVM.instantiateModule({ module, wasip1: wasi, args: ARGUMENTS });
      Object.assign(ruby, { vm, instance });
      ruby.vm.eval(`require "${HOME}/app/pocket/phone/boot"`);
    }
    return ruby;
  }

  get memory() {
    return this.instance.exports.memory;
  }

  put(kept) {
    const missing = kept.byteLength - this.memory.buffer.byteLength;
    if (missing > 0) this.memory.grow(Math.ceil(missing / PAGE));
    new Uint8Array(this.memory.buffer).set(kept);
  }

  // What it has in memory now, to be put back into another.
  keep() {
    return new Uint8Array(this.memory.buffer.slice(0));
  }

  // Lays bytes where Ruby finds them as a file.
  lay(name, bytes) {
    this.home.set(name, new File(bytes));
    return `${HOME}/${name}`;
  }

  take(name) {
    this.home.delete(name);
  }

  // Calls Phone with a text and answers with the text it gives.
  call(name, text) {
    return this.vm.eval(`Phone.${name}(${quoted(text)})`).toString();
  }
}
