// A record: the wave and the conversation, in step.
import { Wave } from "./wave.js";

const CLICK = 4;

export default () => {
  let wave = null;
  let grabbed = null;
  const keys = {
    "+": (w) => w.zoom(0.5),
    "=": (w) => w.zoom(0.5),
    "-": (w) => w.zoom(2),
    ArrowLeft: (w) => w.shift(-1 / 3),
    ArrowRight: (w) => w.shift(1 / 3),
    0: (w) => w.all(),
  };

  return {
    init() {
      const canvas = this.$root.querySelector("#wave");
      if (!canvas) return;
      wave = new Wave(canvas);
      this.redraw = () => wave.draw();
      window.addEventListener("resize", this.redraw);
      canvas.addEventListener("wheel", (e) => this.wheel(e), { passive: false });
    },

    destroy() {
      window.removeEventListener("resize", this.redraw);
    },

    zoomIn() { wave.zoom(0.5); },
    zoomOut() { wave.zoom(2); },
    earlier() { wave.shift(-1 / 3); },
    later() { wave.shift(1 / 3); },
    whole() { wave.all(); },

    wheel(e) {
      if (!e.ctrlKey) return;
      e.preventDefault();
      wave.zoom(e.deltaY < 0 ? 0.5 : 2);
    },

    key(e) {
      if (e.ctrlKey || e.metaKey || e.altKey) return;
      const link = e.target.closest(".talk .at a");
      if (e.target.id === "wave" && keys[e.key]) {
        keys[e.key](wave);
      } else if (link && (e.key === "ArrowDown" || e.key === "ArrowUp")) {
        this.moveLine(link, e.key === "ArrowDown" ? 1 : -1);
      } else {
        return;
      }
      e.preventDefault();
    },

    links() {
      return [...this.$root.querySelectorAll(".talk .at a")];
    },

    moveLine(link, step) {
      const links = this.links();
      const next = links[links.indexOf(link) + step];
      if (!next) return;
      next.focus();
      wave.show(+next.dataset.from, +next.dataset.to);
    },

    grab(e) {
      grabbed = { x: e.clientX, from: wave.from, to: wave.to };
      e.target.setPointerCapture(e.pointerId);
    },

    drag(e) {
      if (!grabbed) return;
      const by = (grabbed.x - e.clientX) / wave.canvas.clientWidth * (grabbed.to - grabbed.from);
      wave.view(grabbed.from + by, grabbed.to + by);
    },

    drop(e) {
      if (grabbed && Math.abs(e.clientX - grabbed.x) < CLICK) this.lineAt(wave.tickAt(e.clientX));
      grabbed = null;
    },

    // What is taken away is what the wave shows, until something else is typed.
    stretch(e) {
      if (!e.currentTarget.open || !wave) return;
      const ms = (tick) => +(tick * wave.canvas.dataset.fs / 1e12).toPrecision(12);
      e.currentTarget.querySelector("[name=fromMs]").value = ms(Math.max(wave.first, wave.from));
      e.currentTarget.querySelector("[name=toMs]").value = ms(Math.min(wave.last, wave.to));
    },

    // A click on a lane goes to what was said at that time of the whole record.
    lane(e) {
      const box = e.currentTarget.getBoundingClientRect();
      this.lineAt(Math.floor(wave.first + (e.clientX - box.left) / box.width * (wave.last - wave.first)));
    },

    // A click on the wave selects the line that was said there; one on another page is asked for.
    lineAt(tick) {
      if (tick === null) return;
      const link = tick < 0 ? null : this.links().find((a) => +a.dataset.from <= tick && tick <= +a.dataset.to);
      if (link) {
        link.click();
        return;
      }
      const jump = this.$root.querySelector("#jump");
      jump.href = `${jump.dataset.base}&at=${tick}`;
      jump.click();
    },
  };
};
