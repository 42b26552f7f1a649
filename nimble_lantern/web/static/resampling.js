// Brings sound to another rate, chunk by chunk.
"use strict";

const TAPS = 24;                 // on either side of the centre, at the lower of the two rates

// Windowed-sinc resampling with a cut-off below the lower of the two Nyquist rates.  The two rates
// (in hertz, whole) meet again after a few samples, so the weights of each place between two
// samples are worked out once.
function resampler(from, to) {
  const common = gcd(from, to), up = to / common, step = from / common;
  const cut = Math.min(1, to / from) * 0.92;
  const reach = Math.ceil(TAPS / cut);
  const phases = Array.from({ length: up }, (_, phase) => taps(phase / up, cut, reach));
  let held = new Float32Array(reach), at = reach, phase = 0;   // the next is at + phase / up
  return (samples) => {
    const all = new Float32Array(held.length + samples.length);
    all.set(held);
    all.set(samples, held.length);
    const out = [];
    for (; at + reach < all.length; at += Math.floor(phase / up), phase %= up) {
      const weights = phases[phase], first = at - reach;
      let sum = 0;
      for (let i = 0; i < weights.length; i++) sum += all[first + i] * weights[i];
      out.push(sum);
      phase += step;
    }
    held = all.slice(at - reach);
    at = reach;
    return out;
  };
}

// The weights of the samples from `reach` before to `reach` after, for a place so far behind one.
function taps(behind, cut, reach) {
  return Float32Array.from({ length: 2 * reach + 1 }, (_, n) => {
    const x = (n - reach - behind) * cut, edge = (n - reach - behind) / reach;
    if (Math.abs(edge) >= 1) return 0;
    const sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
    return sinc * cut * (0.5 + 0.5 * Math.cos(Math.PI * edge));
  });
}

function gcd(a, b) {
  return b === 0 ? a : gcd(b, a % b);
}
