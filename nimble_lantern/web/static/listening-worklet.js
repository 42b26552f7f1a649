// For browsers without MediaStreamTrackProcessor: hands the microphone's frames to the Worker.
"use strict";

class LanternEar extends AudioWorkletProcessor {
  process([input]) {
    if (input.length) this.port.postMessage(input[0].slice());
    return true;
  }
}
registerProcessor("lantern-ear", LanternEar);
