// Reads the microphone, brings the sound to 16 kHz, and posts it in chunks, in order.
// A chunk is named by the sample of the stream it begins with.  It is kept until the server says
// that everything up to its end is decided and on the disk: then it can no longer be lost.
"use strict";

importScripts("resampling.js");

const RATE = 16000;
const CHUNK = 1600;              // 0.1 seconds
const CHUNK_MS = 100;
const KEPT = 300_000 / CHUNK_MS; // chunks that wait to be sent: five minutes, 10 MB
const MOST = 390_000 / CHUNK_MS; // chunks in all, with those that are sent and not yet decided
const BEHIND_MS = 2000;          // how long a chunk may wait before the lamp says so
const WATCH_MS = 500;
const RETRY_MS = 500;
const TRIES = 5;                 // of a chunk that the server has a fault with

const stream = crypto.randomUUID?.() ?? String(Math.random()).slice(2);
let page = "", room = 0, shows = 0;
let opened = false, sending = false, stopped = false, faults = 0, lost = 0, link = "ok";
const queue = [];                // chunks that are not decided yet
let head = 0;                    // the first of them that was not sent
let position = 0;                // the sample of the stream that comes next
let pending = new Float32Array(0);
let resample = null;

onmessage = ({ data }) => {
  if (data.stop) { stopped = true; return; }
  if (data.shows !== undefined) { shows = data.shows; return; }
  if (data.room !== undefined) room = data.room;
  if (data.page) page = data.page;
  if (data.readable) read(data.readable);
  else if (data.port) data.port.onmessage = ({ data: samples }) => hear(samples, data.rate);
};

setInterval(() => {
  const oldest = queue[head];
  const waits = oldest ? Date.now() - oldest.time : 0;
  if (link === "ok" && waits > BEHIND_MS) tell("behind");
  else if (link === "behind" && waits <= BEHIND_MS) tell("ok");
}, WATCH_MS);

function tell(state, more) {
  link = state;
  postMessage({ link, ...more });
}

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

postMessage({ stream });

let source = 0;
function hear(samples, rate) {
  if (rate !== source) { source = rate; resample = resampler(Math.round(rate), RATE); }
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
  queue.push({ at: position, time: Date.now() - CHUNK_MS, pcm });
  position += CHUNK;
  makeRoom();
  send();
}

// More than five minutes wait: the oldest goes, and the speaker is told as soon as the server is there.
function makeRoom() {
  while (queue.length - head > KEPT) {
    queue.splice(head, 1);
    if (link !== "elsewhere") lost += CHUNK_MS / 1000;
    opened = false;
  }
  while (queue.length > MOST && head > 0) { queue.shift(); head -= 1; }
}

function decided(kept) {
  let done = 0;
  while (done < head && queue[done].at + CHUNK <= kept) done += 1;
  queue.splice(0, done);
  head -= done;
}

function goOnAt(wanted) {
  const found = queue.findIndex(({ at }) => at + CHUNK > wanted);
  head = found < 0 ? queue.length : found;
}

const pause = (ms) => new Promise((done) => setTimeout(done, ms));

// Whether this page is listened to; while another is, what is said here is kept as it comes.
async function open() {
  const first = queue[0];
  const what = { stream, from: first.at, time: first.time, lost };
  const answer = await fetch("/streams", {
    method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(what),
  });
  if (!answer.ok) throw new Error(answer.status);
  const { listens, next } = await answer.json();
  if (!listens) { tell("elsewhere"); return false; }
  lost = 0;
  goOnAt(next);
  return true;
}

async function send() {
  if (sending) return;
  sending = true;
  while (!stopped && (head < queue.length || !opened) && queue.length) {
    try {
      if (!opened) {
        opened = await open();
        if (!opened) await pause(RETRY_MS);
        else tell("ok");
        continue;
      }
      await post(queue[head]);
    } catch {
      tell("lost");
      await pause(RETRY_MS);
    }
  }
  sending = false;
}

async function post(chunk) {
  const query = new URLSearchParams({ page, room, shows, time: chunk.time });
  const url = `/streams/${stream}/${chunk.at}?${query}`;
  const answer = await fetch(url, { method: "POST", body: chunk.pcm });
  if (answer.status === 410) { opened = false; return; }
  if (answer.status === 409) {
    const wanted = number(answer, "Lantern-Next");
    if (wanted === null || wanted < queue[0].at) opened = false;
    else goOnAt(wanted);
    await pause(CHUNK_MS);
    return;
  }
  if (!answer.ok && answer.status !== 204) {
    faults += 1;
    tell("ok", { trouble: await answer.text() });
    // What the server cannot take is not offered for ever.
    if (answer.status < 500 || faults > TRIES) { head += 1; faults = 0; opened = false; }
    await pause(RETRY_MS);
    return;
  }
  faults = 0;
  const html = answer.status === 200 ? await answer.text() : "";
  const wanted = number(answer, "Lantern-Next"), kept = number(answer, "Lantern-Kept");
  if (wanted === null) head += 1;
  else goOnAt(wanted);
  if (kept !== null) decided(kept);
  const late = queue[head] && Date.now() - queue[head].time > BEHIND_MS;
  tell(late ? "behind" : "ok", { html, stamp: number(answer, "Lantern-Shows") });
}

// A header that is missing is no number.
function number(answer, name) {
  const text = answer.headers.get(name);
  const value = Number(text);
  return text !== null && text !== "" && Number.isSafeInteger(value) ? value : null;
}
