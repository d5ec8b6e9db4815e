// The phone's Ruby in a page of a test's, to be asked what the server's is asked.
import { Ruby } from "../../app/assets/scripts/pocket/ruby.js";

let ruby = null;
window.twoRubies = {
  async begin() {
    const about = await (await fetch("/pocket/about.json")).json();
    const [module, code] = await Promise.all([
      WebAssembly.compileStreaming(fetch(about.runtime)),
      fetch(`/pocket/code.json?release=${about.release}`).then((answer) => answer.json()),
    ]);
    ruby = await Ruby.begin(module, code.files, null);
    return "begun";
  },
  // [[tool, question], …] as JSON; answers as JSON, in the same order.
  ask(cases) {
    const quoted = JSON.stringify(cases).replaceAll("#", "\\#");
    return ruby.vm
      .eval(`JSON.generate(JSON.parse(${quoted}).map { |tool, asked| Fenbo::Tools.call(tool, asked).as_json })`)
      .toString();
  },
};
