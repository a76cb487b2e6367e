// Hands on what the microphone hears, unchanged, a tenth of a second at a time. Runs in the browser's audio thread.
class Microphone extends AudioWorkletProcessor {
  constructor() {
    super();
    this.length = Math.round(sampleRate / 10);
    this.heard = new Float32Array(this.length);
    this.at = 0;
    this.port.onmessage = () => {
      this.port.postMessage(this.heard.slice(0, this.at));
      this.at = 0;
      this.port.postMessage("end");
    };
  }

  process([[channel] = []]) {
    for (const sample of channel ?? []) {
      this.heard[this.at++] = sample;
      if (this.at === this.length) {
        this.port.postMessage(this.heard.slice());
        this.at = 0;
      }
    }
    return true;
  }
}
registerProcessor("microphone", Microphone);
