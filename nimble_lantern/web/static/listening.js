// The microphone, and what the page shows of it.  The sound itself is read in a Worker.
"use strict";

const NEWS_MS = 400;
const SHEET_WIDTH = 790;           // the numbers' margin and the column of text
const EAR_REST_MS = 300;
const MICROPHONE_PATIENCE_MS = 6000;
const WANTED = { channelCount: 1, echoCancellation: true, noiseSuppression: true, autoGainControl: false };
const ADVICE = {
  NotAllowedError: "This page may not use the microphone: allow it once in the browser's site settings, then load the page again.",
  NotFoundError: "No microphone was found: plug one in; listening begins by itself.",
  NotReadableError: "The microphone is in use elsewhere: close what uses it; listening begins by itself.",
  pending: "The browser asks whether this page may hear you: someone must say yes once, and for good.",
  elsewhere: "The page that was opened last is listening; when it is closed, this one listens again by itself.",
  insecure: "The browser gives a microphone only to this machine's own address: open the page at 127.0.0.1.",
};

function show(html) {
  if (!html) return;
  htmx.swap(document.body, html, { swapStyle: "none" });
  setTimeout(() => document.dispatchEvent(new Event("lantern:shown")));
}

document.addEventListener("alpine:init", () => {
  Alpine.data("listening", () => ({
    level: 0,
    link: "starting",
    advice: "",
    words: {
      starting: "waking the microphone", ok: "", lost: "connection lost: kept",
      behind: "catching up", silent: "off: no microphone", elsewhere: "off: another page listens",
    },

    get linkWord() { return this.words[this.link] || ""; },

    init() {
      this.page = document.body.dataset.page;
      document.body.addEventListener("htmx:configRequest", (event) => {
        event.detail.parameters.page = this.page;
      });
      window.addEventListener("resize", () => this.ask());
      setInterval(() => { if (this.link !== "ok") this.ask(); }, NEWS_MS);
      this.ask();
      this.begin();
      this.browserEar();
      document.addEventListener("lantern:shown", () => this.browserEar());
      navigator.mediaDevices?.addEventListener("devicechange", () => {
        if (this.link === "silent") this.begin();
      });
    },

    room() {
      const sheet = document.querySelector(".sheet");
      if (!sheet) return 0;
      const fit = Math.min(1, sheet.clientWidth / SHEET_WIDTH);
      document.documentElement.style.setProperty("--fit", fit.toFixed(3));
      return Math.round((sheet.clientHeight - 28) / fit);
    },

    async ask() {
      if (this.asking) return;
      this.asking = true;
      const query = new URLSearchParams({ page: this.page });
      if (this.room()) query.set("room", this.room());
      try {
        const answer = await fetch(`/news?${query}`);
        if (answer.status === 200) show(await answer.text());
        if (this.link === "lost" && !this.worker) this.link = "silent";
      } catch {
        if (!this.worker) this.link = "lost";
      } finally {
        this.asking = false;
      }
    },

    async begin() {
      if (!navigator.mediaDevices) return this.deaf("insecure");
      const waiting = setTimeout(() => { this.advice = ADVICE.pending; }, MICROPHONE_PATIENCE_MS);
      try {
        const stream = await navigator.mediaDevices.getUserMedia({ audio: WANTED });
        this.advice = "";
        await this.listen(stream.getAudioTracks()[0]);
      } catch (error) {
        this.deaf(error.name);
      } finally {
        clearTimeout(waiting);
      }
    },

    deaf(why) {
      this.link = "silent";
      this.advice = ADVICE[why] || `The microphone cannot be used (${why}): check it, then load the page again.`;
    },

    async listen(track) {
      this.worker?.terminate();
      const worker = this.worker = new Worker(document.body.dataset.worker);
      worker.onmessage = ({ data }) => this.told(data);
      track.addEventListener("ended", () => {
        worker.postMessage({ stop: true });
        this.worker = null;
        this.deaf("NotFoundError");
        setTimeout(() => this.begin(), 1000);
      });
      const start = { page: this.page, room: this.room() };
      if (window.MediaStreamTrackProcessor) {
        const { readable } = new MediaStreamTrackProcessor({ track, maxBufferSize: 500 });
        worker.postMessage({ ...start, readable }, [readable]);
        return;
      }
      const context = new AudioContext();
      await context.audioWorklet.addModule(document.body.dataset.worklet);
      const node = new AudioWorkletNode(context, "lantern-ear");
      context.createMediaStreamSource(new MediaStream([track])).connect(node);
      worker.postMessage({ ...start, port: node.port, rate: context.sampleRate }, [node.port]);
    },

    // The browser's own recogniser, where the setting asks for it and the lamp is lit.
    browserEar() {
      const { engine, lamp, language } = document.getElementById("lamp").dataset;
      const wanted = engine === "browser" && lamp === "lit";
      if (!wanted) {
        const ear = this.ear;
        this.ear = null;
        ear?.abort();
        return;
      }
      if (this.ear) return;
      const Recognition = window.SpeechRecognition || window.webkitSpeechRecognition;
      if (!Recognition) return void this.report({ error: "missing" });
      const ear = this.ear = new Recognition();
      Object.assign(ear, { continuous: true, interimResults: true, maxAlternatives: 5, lang: language });
      ear.onresult = (event) => {
        for (let i = event.resultIndex; i < event.results.length; i++) {
          const result = event.results[i];
          const alternatives = Array.from(result, ({ transcript, confidence }) => ({ transcript, confidence }));
          this.report({ final: result.isFinal, alternatives });
        }
      };
      ear.onerror = ({ error }) => this.report({ error });
      // It ends by itself after a silence: while it is wanted, it is started again.
      ear.onend = () => setTimeout(() => {
        if (this.ear === ear) { this.ear = null; this.browserEar(); }
      }, EAR_REST_MS);
      try { ear.start(); } catch { this.report({ error: "aborted" }); }
    },

    // One after the other, so that results arrive in the order in which they were spoken.
    report(what) {
      const send = () => fetch("/results", {
        method: "POST", headers: { "Content-Type": "application/json" }, body: JSON.stringify(what),
      }).then(() => this.ask()).catch(() => {});
      this.reports = (this.reports || Promise.resolve()).then(send);
    },

    told(message) {
      if (message.level !== undefined) this.level = message.level.toFixed(2);
      if (message.link) this.link = message.link;
      if (message.html) show(message.html);
      if (message.link) this.advice = message.link === "elsewhere" ? ADVICE.elsewhere : "";
    },
  }));
});
