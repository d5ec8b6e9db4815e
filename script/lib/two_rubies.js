// The phone's Ruby in a page of a test's, to be asked what the server's is asked.
import { Ruby } from "../../app/assets/scripts/pocket/ruby.js";

let ruby = null;
window.twoRubies = {
  // more: path => text, beside what a phone has.
  async begin(more = {}) {
    const about = await (await fetch("/pocket/about.json")).json();
    const [module, code] = await Promise.all([
      WebAssembly.compileStreaming(fetch(about.runtime)),
      fetch(`/pocket/code.json?release=${about.release}`).then((answer) => answer.json()),
    ]);
    ruby = await Ruby.begin(module, { ...code.files, ...more }, null);
    return "begun";
  },
  run: (program) => ruby.vm.eval(program).toString(),
  // A WAV file in base64.
  hear(wav) {
    ruby.lay("heard.wav", Uint8Array.from(atob(wav), (letter) => letter.charCodeAt(0)));
    const from = performance.now();
    const answer = ruby.vm
      .eval(`JSON.generate(Fenbo::Tools.call("sound", {"wav_bytes" => File.binread("/fenbo/heard.wav")}).as_json)`)
      .toString();
    ruby.take("heard.wav");
    return JSON.stringify({ answer: JSON.parse(answer), seconds: (performance.now() - from) / 1000 });
  },
  // [[tool, question], …] as JSON; answers as JSON, in the same order.
  ask(cases) {
    const quoted = JSON.stringify(cases).replaceAll("#", "\\#");
    return ruby.vm
      .eval(`JSON.generate(JSON.parse(${quoted}).map { |tool, asked| Fenbo::Tools.call(tool, asked).as_json })`)
      .toString();
  },
};
