// Ten seconds from the microphone to a 16-bit WAV file, put into the form as if it had
// been chosen there. Without a microphone, permission or a secure address it says what
// to do instead.
const SECONDS = 10;

function encode(chunks, rate) {
  const length = chunks.reduce((sum, chunk) => sum + chunk.length, 0);
  const view = new DataView(new ArrayBuffer(44 + length * 2));
  const words = (at, text) => [...text].forEach((letter, index) => view.setUint8(at + index, letter.charCodeAt(0)));
  words(0, "RIFF");
  view.setUint32(4, 36 + length * 2, true);
  words(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * 2, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  words(36, "data");
  view.setUint32(40, length * 2, true);
  let at = 44;
  chunks.forEach((chunk) =>
    chunk.forEach((sample) => {
      view.setInt16(at, Math.max(-1, Math.min(1, sample)) * 32767, true);
      at += 2;
    }),
  );
  return new Blob([view], { type: "audio/wav" });
}

export function recorder() {
  return {
    words: "Uses this device's microphone; nothing leaves Fenbo.",
    button: "Record",
    // The button waits for this script: a press before it came would be lost.
    asleep: false,
    async toggle() {
      this.stream ? this.finish(false) : await this.start();
    },
    async start() {
      if (!navigator.mediaDevices?.getUserMedia) {
        this.words =
          "This address is not secure, so the browser gives no microphone. " +
          "Record with the phone's own recorder and choose the WAV file below.";
        return;
      }
      try {
        this.stream = await navigator.mediaDevices.getUserMedia({
          audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
        });
      } catch (problem) {
        this.words =
          problem.name === "NotAllowedError"
            ? "The microphone was refused. Allow it beside the address, or choose a WAV file below."
            : "No microphone was found. Choose a WAV file below.";
        return;
      }
      this.context = new AudioContext();
      this.chunks = [];
      const source = this.context.createMediaStreamSource(this.stream);
      this.node = this.context.createScriptProcessor(4096, 1, 1);
      this.node.onaudioprocess = (event) => this.take(event.inputBuffer.getChannelData(0));
      source.connect(this.node);
      this.node.connect(this.context.destination);
      this.button = "Stop";
    },
    take(samples) {
      this.chunks.push(new Float32Array(samples));
      const loud = Math.sqrt(samples.reduce((sum, one) => sum + one * one, 0) / samples.length);
      this.$refs.level.style.setProperty("--level", Math.min(1, loud * 4).toFixed(3));
      const left = SECONDS - this.seconds();
      this.words = loud > 0.7 ? "Too loud: hold it further off." : `${Math.max(0, Math.ceil(left))} s to go`;
      if (left <= 0) this.finish(true);
    },
    // Of sound, not of the clock: a busy device drops some.
    seconds() {
      return this.chunks.reduce((sum, chunk) => sum + chunk.length, 0) / this.context.sampleRate;
    },
    finish(whole) {
      const rate = this.context.sampleRate;
      const seconds = this.seconds();
      this.node.disconnect();
      // What the sound card still hands over would write its seconds over the words below.
      this.node.onaudioprocess = null;
      this.stream.getTracks().forEach((track) => track.stop());
      this.context.close();
      this.stream = null;
      this.button = "Record";
      if (!whole && seconds < 2) {
        this.words = "Too short: it takes two seconds at least.";
        return;
      }
      const form = document.getElementById("sound-form");
      const files = new DataTransfer();
      files.items.add(new File([encode(this.chunks, Math.round(rate))], "recording.wav", { type: "audio/wav" }));
      form.elements.wav.files = files.files;
      this.words = "Reading it …";
      form.requestSubmit();
    },
  };
}
