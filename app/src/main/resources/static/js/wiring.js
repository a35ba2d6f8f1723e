// Wiring: what other devices tick shows here, too; a step can be read aloud where the browser has a voice.
export default () => ({
  speaks: "speechSynthesis" in window,

  init() {
    this.ticked = () => this.changed();
    document.addEventListener("plan-ticked", this.ticked);
  },

  destroy() {
    document.removeEventListener("plan-ticked", this.ticked);
    if (this.speaks) window.speechSynthesis.cancel();
  },

  // What is being typed stays.
  changed() {
    for (const part of ["steps-live", "measure"]) {
      const el = document.getElementById(part);
      const news = document.getElementById(part.replace("-live", "") + "-news");
      if (el && news && !(part === "measure" && el.contains(document.activeElement))) window.htmx.trigger(news, "news");
    }
  },

  read() {
    window.speechSynthesis.cancel();
    const words = new SpeechSynthesisUtterance(this.$refs.say.innerText.replace(/\s+/g, " "));
    words.lang = "en";
    window.speechSynthesis.speak(words);
  },
});
