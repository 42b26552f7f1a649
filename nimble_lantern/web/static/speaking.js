// Speaks what the desk has to say: with the browser's own voices, else with sound from the desk.
"use strict";

const TOLD_MS = 120;
const RESUME_MS = 500;
const SILENT_SECONDS = 0.4;   // behind its end, after which a sound that does not end is over

const PAUSE_SECONDS = 0.2;    // between sentences

const speaking = { number: 0, context: null, source: null, timer: 0, until: 0 };

function tell(what) {
  fetch("/spoken", { method: "POST", body: new URLSearchParams(what) }).catch(() => {});
}

function told(number, sentence, word, done) {
  tell({ number, sentence, word, done: done ? "1" : "" });
}

// Sound goes through an AudioContext: made once the microphone is granted, it runs without a click.
// Where the browser lets nothing sound, the mark goes on at the same pace, silently.
async function context() {
  speaking.context ||= new AudioContext();
  if (speaking.context.state !== "running") {
    await Promise.race([speaking.context.resume(), new Promise((done) => setTimeout(done, RESUME_MS))]);
  }
  return speaking.context;
}

function hush() {
  clearInterval(speaking.timer);
  if (speaking.source) {
    speaking.source.onended = null;
    speaking.source.stop();
  }
  speaking.source = null;
  speaking.until = 0;
  window.speechSynthesis?.cancel();
}

function voices() {
  return window.speechSynthesis?.getVoices().filter((v) => v.lang.startsWith("en")) || [];
}

function next(voice, sentence, coming) {
  if (voice.number !== speaking.number) return;
  if (sentence >= voice.texts.length) {
    told(voice.number, sentence, 0, true);
    return;
  }
  if (voice.sound) fromDesk(voice, sentence, coming);
  else if (voices().length) fromBrowser(voice, sentence);
  else told(voice.number, voice.texts.length, 0, true);
}

function fromBrowser(voice, sentence) {
  const text = voice.texts[sentence];
  const utterance = new SpeechSynthesisUtterance(text);
  utterance.rate = voice.rate;
  utterance.voice = voices()[0];
  told(voice.number, sentence, 0, false);
  utterance.onboundary = (event) => {
    if (event.name === "word") told(voice.number, sentence, text.slice(0, event.charIndex).split(/\s+/).length - 1, false);
  };
  utterance.onend = () => next(voice, sentence + 1);
  utterance.onerror = () => next(voice, sentence + 1);
  window.speechSynthesis.speak(utterance);
}

async function sound(voice, sentence) {
  const answer = await fetch(`/aloud/${voice.number}/${sentence}`);
  if (!answer.ok) throw new Error(answer.statusText);
  const times = (answer.headers.get("Lantern-Words") || "").split(",").filter(Boolean).map(Number);
  return { times, data: await answer.arrayBuffer() };
}

// A sentence is set to begin a little ahead, and the desk is told when: so it knows to the sample
// what its microphone will hear, and can take it out from the first of it.
async function fromDesk(voice, sentence, coming) {
  try {
    const { times, data } = await (coming || sound(voice, sentence));
    const room = await context();
    const buffer = await room.decodeAudioData(data);
    if (voice.number !== speaking.number) return;
    const source = speaking.source = room.createBufferSource();
    source.buffer = buffer;
    source.connect(room.destination);
    const sounds = room.state === "running"; // else its clock stands still
    const begins = sounds ? Math.max(room.currentTime, speaking.until + PAUSE_SECONDS) : room.currentTime;
    const began = performance.now() + (begins - room.currentTime) * 1000;
    speaking.until = begins + buffer.duration;
    if (sounds) tell({ number: voice.number, sentence, begins });
    const after = sentence + 1 < voice.texts.length ? sound(voice, sentence + 1) : null;
    after?.catch(() => {});
    const goOn = () => {
      clearInterval(speaking.timer);
      source.onended = null;
      next(voice, sentence + 1, after);
    };
    let last = -1;
    const mark = () => {
      const now = (performance.now() - began) / 1000;
      if (now > buffer.duration + SILENT_SECONDS) return goOn();
      if (now < 0) return;
      let word = 0;
      while (word + 1 < times.length && times[word + 1] <= now) word += 1;
      if (word !== last) told(voice.number, sentence, last = word, false);
    };
    speaking.timer = setInterval(mark, TOLD_MS);
    source.onended = goOn;
    source.start(begins);
    mark();
  } catch {
    clearInterval(speaking.timer);
    if (voice.number === speaking.number) told(voice.number, voice.texts.length, 0, true);
  }
}

function speak() {
  const data = document.getElementById("voice")?.dataset.voice;
  const voice = data ? JSON.parse(data) : null;
  const number = voice ? voice.number : 0;
  if (number === speaking.number) return;
  speaking.number = number;
  hush();
  if (voice) next(voice, 0);
}

document.addEventListener("lantern:shown", speak);
document.addEventListener("DOMContentLoaded", speak);
