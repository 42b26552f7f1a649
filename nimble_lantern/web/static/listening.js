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
  elsewhere: "Another page of this desk is listening; when it is closed, this one listens by itself.",
  insecure: "The browser gives a microphone only to this machine's own address: open the page at 127.0.0.1.",
};

// Shows what came, and says up to which stamp the page now shows what it was sent.
const shows = { stamp: 0, listeners: [] };
function show(html, stamp) {
  if (html) {
    htmx.swap(document.body, html, { swapStyle: "none" });
    setTimeout(() => document.dispatchEvent(new Event("lantern:shown")));
  }
  shown(stamp);
}

function shown(stamp) {
  if (!(stamp > shows.stamp)) return;
  shows.stamp = stamp;
  shows.listeners.forEach((told) => told(stamp));
}

document.addEventListener("alpine:init", () => {
  Alpine.data("listening", () => ({
    level: 0,
    link: "starting",
    advice: "",
    words: {
      starting: "waking the microphone", ok: "", lost: "connection lost: kept",
      behind: "catching up: kept", silent: "off: no microphone", elsewhere: "off: another page listens",
    },

    get linkWord() { return this.words[this.link] || ""; },
    get levelStyle() { return { "--level": this.level }; },
    get advised() { return this.advice !== ""; },

    init() {
      this.page = document.body.dataset.page;
      shows.stamp = Number(document.body.dataset.shows);
      shows.listeners.push((stamp) => this.worker?.postMessage({ shows: stamp }));
      document.body.addEventListener("htmx:configRequest", (event) => {
        Object.assign(event.detail.parameters, { page: this.page, shows: shows.stamp });
      });
      document.body.addEventListener("htmx:afterRequest", (event) => {
        shown(Number(event.detail.xhr.getResponseHeader("Lantern-Shows")));
      });
      window.addEventListener("pagehide", () => {
        if (this.stream) navigator.sendBeacon(`/streams/${this.stream}/end`);
      });
      window.addEventListener("resize", () => {
        this.worker?.postMessage({ room: this.room() });
        this.ask();
      });
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
      const query = new URLSearchParams({ page: this.page, shows: shows.stamp });
      if (this.room()) query.set("room", this.room());
      try {
        const answer = await fetch(`/news?${query}`);
        const stamp = Number(answer.headers.get("Lantern-Shows"));
        if (answer.status === 200) show(await answer.text(), stamp);
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
      worker.postMessage({ shows: shows.stamp });
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
      if (message.stream) this.stream = message.stream;
      if (message.level !== undefined) this.level = message.level.toFixed(2);
      if (message.html !== undefined) show(message.html, message.stamp);
      if (!message.link) return;
      this.link = message.link;
      this.advice = message.trouble || (message.link === "elsewhere" ? ADVICE.elsewhere : "");
    },
  }));
});
