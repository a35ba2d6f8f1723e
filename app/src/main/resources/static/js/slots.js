// Glyphs of one's own, one after the other in one place, as a program would run through its slots.
const SECOND = 1000;

export default () => {
  let timer = 0, at = 0, rate = 4;

  return {
    words: "Run",

    show(next) {
      const all = [...this.$root.querySelectorAll("g")];
      at = next % all.length;
      all.forEach((g, i) => g.setAttribute("visibility", i === at ? "visible" : "hidden"));
    },

    stop() {
      clearInterval(timer);
      timer = 0;
      this.words = "Run";
    },

    start() {
      timer = setInterval(() => this.show(at + 1), SECOND / rate);
      this.words = "Stop";
    },

    run() {
      if (timer) this.stop(); else this.start();
    },

    pace(e) {
      rate = Math.min(20, Math.max(1, +e.target.value || 1));
      if (!timer) return;
      this.stop();
      this.start();
    },

    destroy() { clearInterval(timer); },
  };
};
