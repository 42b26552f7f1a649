// Reads the microphone, brings the sound to 16 kHz, and posts it in numbered chunks, in order.
// What the server has not confirmed is kept, for up to a minute, and sent again.
"use strict";

const RATE = 16000;
const CHUNK = 1600;              // 0.1 seconds
const KEPT = 60 / 0.1;           // a minute of chunks
const BEHIND = 20;               // chunks waiting before the lamp says so
const RETRY_MS = 500;
const TAPS = 24;                 // on either side of the resampler's centre

let page = "", room = 0, stream = "", next = 0, sending = false, stopped = false;
const queue = [];                // chunks that the server has not confirmed, `next` the first's number
let pending = new Float32Array(0);
let resample = null;

onmessage = ({ data }) => {
  if (data.stop) { stopped = true; return; }
  page = data.page;
  room = data.room;
  if (data.readable) read(data.readable);
  else data.port.onmessage = ({ data: samples }) => hear(samples, data.rate);
};

async function read(readable) {
  const reader = readable.getReader();
  for (;;) {
    const { value, done } = await reader.read();
    if (done || stopped) return;
    const samples = new Float32Array(value.numberOfFrames);
    value.copyTo(samples, { planeIndex: 0, format: "f32-planar" });
    const rate = value.sampleRate;
    value.close();
    hear(samples, rate);
  }
}

// Windowed-sinc resampling with a cut-off below the lower of the two Nyquist rates.
function resampler(from) {
  const ratio = from / RATE, cut = Math.min(1, RATE / from) * 0.92;
  const reach = Math.ceil(TAPS / cut);
  let held = new Float32Array(reach), at = reach;
  return (samples) => {
    const all = new Float32Array(held.length + samples.length);
    all.set(held);
    all.set(samples, held.length);
    const out = [];
    for (; at + reach < all.length; at += ratio) {
      let sum = 0;
      const first = Math.ceil(at - reach), last = Math.floor(at + reach);
      for (let i = Math.max(0, first); i <= last; i++) {
        const x = (i - at) * cut, edge = (i - at) / reach;
        const sinc = Math.abs(x) < 1e-9 ? 1 : Math.sin(Math.PI * x) / (Math.PI * x);
        sum += all[i] * sinc * cut * (0.5 + 0.5 * Math.cos(Math.PI * edge));
      }
      out.push(sum);
    }
    const drop = Math.max(0, Math.floor(at - reach));
    held = all.slice(drop);
    at -= drop;
    return out;
  };
}

let source = 0;
function hear(samples, rate) {
  if (rate !== source) { source = rate; resample = resampler(rate); }
  const fresh = rate === RATE ? samples : resample(samples);
  const joined = new Float32Array(pending.length + fresh.length);
  joined.set(pending);
  joined.set(fresh, pending.length);
  let start = 0;
  for (; start + CHUNK <= joined.length; start += CHUNK) push(joined.subarray(start, start + CHUNK));
  pending = joined.slice(start);
}

function push(samples) {
  const pcm = new Int16Array(samples.length);
  let sum = 0;
  for (let i = 0; i < samples.length; i++) {
    const x = Math.max(-1, Math.min(1, samples[i]));
    pcm[i] = Math.round(x * 32767);
    sum += x * x;
  }
  const loudness = 20 * Math.log10(Math.sqrt(sum / samples.length) + 1e-6);
  postMessage({ level: Math.max(0, Math.min(1, (loudness + 60) / 50)) });
  queue.push(pcm);
  // Older than a minute: given up, and the server is told by starting a new stream.
  while (queue.length > KEPT) { queue.shift(); stream = ""; }
  send();
}

const pause = (ms) => new Promise((done) => setTimeout(done, ms));

async function open() {
  const answer = await fetch("/streams", { method: "POST" });
  if (!answer.ok) throw new Error(answer.status);
  stream = (await answer.json()).stream;
  next = 0;
}

async function send() {
  if (sending) return;
  sending = true;
  let link = "ok";
  while (queue.length && !stopped) {
    try {
      if (!stream) await open();
      const query = new URLSearchParams({ page, room });
      const answer = await fetch(`/streams/${stream}/${next}?${query}`, { method: "POST", body: queue[0] });
      if (answer.status === 410) {
        if (link === "lost") { stream = ""; continue; }   // the server was started anew
        await elsewhere();
        link = "ok";
        continue;
      }
      if (answer.status === 409) {
        const wanted = Number(answer.headers.get("Lantern-Next"));
        if (Number.isInteger(wanted)) next = wanted; else stream = "";
        continue;
      }
      if (!answer.ok && answer.status !== 204) throw new Error(answer.status);
      queue.shift();
      next += 1;
      link = queue.length > BEHIND ? "behind" : "ok";
      postMessage({ link, html: answer.status === 200 ? await answer.text() : "" });
    } catch {
      link = "lost";
      postMessage({ link });
      await pause(RETRY_MS);
    }
  }
  sending = false;
}

// 410: another page listens now, or the server is a new one that knows no streams.  While another
// page listens this one waits; when that one is closed, this one listens again by itself.
async function elsewhere() {
  for (;;) {
    const answer = await fetch("/streams");
    const { open: other } = await answer.json();
    if (!other || stopped) break;
    postMessage({ link: "elsewhere" });
    await pause(RETRY_MS);
    queue.splice(0, queue.length - 1);   // it was heard there
  }
  stream = "";
}
