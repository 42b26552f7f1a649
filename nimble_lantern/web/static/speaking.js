// Speaks what the desk has to say: with the browser's own voices, else with sound from the desk.
"use strict";

const TOLD_MS = 120;
const RESUME_MS = 500;
const SILENT_SECONDS = 0.4;   // behind its end, after which a sound that does not end is over

const speaking = { number: 0, context: null, source: null, timer: 0 };

function told(number, sentence, word, done) {
  const body = new URLSearchParams({ number, sentence, word, done: done ? "1" : "" });
  fetch("/spoken", { method: "POST", body }).catch(() => {});
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
  window.speechSynthesis?.cancel();
}

function voices() {
  return window.speechSynthesis?.getVoices().filter((v) => v.lang.startsWith("en")) || [];
}

function next(voice, sentence) {
  if (voice.number !== speaking.number) return;
  if (sentence >= voice.texts.length) {
    told(voice.number, sentence, 0, true);
    return;
  }
  if (voice.sound) fromDesk(voice, sentence);
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

async function fromDesk(voice, sentence) {
  let times = [];
  try {
    const answer = await fetch(`/aloud/${voice.number}/${sentence}`);
    if (!answer.ok) throw new Error(answer.statusText);
    times = (answer.headers.get("Lantern-Words") || "").split(",").filter(Boolean).map(Number);
    const room = await context();
    const sound = await room.decodeAudioData(await answer.arrayBuffer());
    if (voice.number !== speaking.number) return;
    const source = speaking.source = room.createBufferSource();
    source.buffer = sound;
    source.connect(room.destination);
    told(voice.number, sentence, 0, false);
    const began = performance.now();
    let last = 0;
    speaking.timer = setInterval(() => {
      const now = (performance.now() - began) / 1000;
      if (now > sound.duration + SILENT_SECONDS) {
        clearInterval(speaking.timer);
        next(voice, sentence + 1);
        return;
      }
      let word = 0;
      while (word + 1 < times.length && times[word + 1] <= now) word += 1;
      if (word !== last) told(voice.number, sentence, last = word, false);
    }, TOLD_MS);
    source.onended = () => { clearInterval(speaking.timer); next(voice, sentence + 1); };
    source.start();
    if (sentence + 1 < voice.texts.length) fetch(`/aloud/${voice.number}/${sentence + 1}`).catch(() => {});
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
