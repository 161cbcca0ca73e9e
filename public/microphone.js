/* Hands what the microphone hears to the page, in pieces: see platform/microphone.ts. */
const PIECE = 4096;

class Tap extends AudioWorkletProcessor {
  constructor() {
    super();
    this.piece = new Float32Array(PIECE);
    this.filled = 0;
  }

  process([input]) {
    const [channel] = input;
    if (channel === undefined) return true;
    for (const value of channel) {
      this.piece[this.filled] = value;
      this.filled += 1;
      if (this.filled < PIECE) continue;
      this.port.postMessage(this.piece, [this.piece.buffer]);
      this.piece = new Float32Array(PIECE);
      this.filled = 0;
    }
    return true;
  }
}

registerProcessor('tap', Tap);
