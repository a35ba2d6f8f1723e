// The weave: knots move along the places where they may go, change places, are locked; what it would bring is told before it is kept.
import { say } from "./busy.js";

const NEAR = 9;
const PATIENCE_MS = 60;
const words = (line) => line.replace(":", " ");
const pinName = (target) => target.split(":")[1];

const count = (n, word, many) => n === 0 ? "" : `${Math.abs(n)} ${Math.abs(n) === 1 ? word : many} ${n > 0 ? "more" : "fewer"}`;

const told = (name, verdict) => {
  const counts = [count(verdict.stops, "stop", "stops"), count(verdict.fixes, "fix", "fixes")].filter((t) => t).join(", ");
  const says = verdict.says.length ? `. ${verdict.says.join(" ")}` : "";
  return `${name}: ${counts || "as good as now"}${says}`;
};

// Attributes, not classes of a component: a swap brings new knots.
const movable = (el) => el && el.closest && el.closest(".knot[data-options]");

export default () => {
  let moving = null;
  let swapping = null;
  let judging = null;
  let dragging = null;

  return {
    verdict: "",
    mood: "",

    destroy() {
      clearTimeout(judging);
      if (dragging) dragging.end();
    },

    // Places

    columnX(target) {
      return +this.$root.querySelector(`.pin-column[data-target="${CSS.escape(target)}"]`).dataset.x;
    },

    places(knot) {
      return knot.dataset.options.split(" ").map((target) => ({ target, x: this.columnX(target) })).sort((a, b) => a.x - b.x);
    },

    put(knot, x) {
      knot.setAttribute("transform", `translate(${x},${knot.dataset.y})`);
    },

    // Moving

    offer(knot, place) {
      moving = { knot, place };
      knot.classList.add("moving");
      this.put(knot, place.x);
      const name = pinName(place.target);
      knot.setAttribute("aria-valuetext", name);
      say(`${words(knot.dataset.line)} → ${name}; Enter keeps it, Esc leaves it`);
      const stays = place.x === +knot.dataset.x;
      this.judge({ from: knot.dataset.line, to: place.target }, name, stays, () => moving && moving.place === place);
    },

    // Dropped on another knot, both change places.
    offerSwap(knot, other) {
      if (moving && moving.other === other) return;
      this.leave();
      moving = { knot, other };
      knot.classList.add("moving");
      other.classList.add("could");
      this.put(knot, other.dataset.x);
      this.judgeSwap(knot.dataset.line, other.dataset.line, () => moving && moving.other === other);
    },

    leave() {
      if (!moving) return;
      moving.knot.classList.remove("moving");
      if (moving.other) moving.other.classList.remove("could");
      clearTimeout(judging);
      this.tell("", false);
      this.put(moving.knot, moving.knot.dataset.x);
      moving = null;
      say("");
    },

    keep() {
      const { knot, place, other } = moving;
      if (other) {
        this.send("swap", { a: knot.dataset.line, b: other.dataset.line });
      } else if (place.x === +knot.dataset.x) {
        this.leave();
      } else {
        this.send("move", { from: knot.dataset.line, to: place.target });
      }
    },

    send(id, fields) {
      moving = swapping = null;
      const form = document.getElementById(id);
      for (const [name, value] of Object.entries(fields)) form.elements[name].value = value;
      form.requestSubmit();
    },

    // What it would bring

    tell(text, bad) {
      this.verdict = text;
      this.mood = bad ? "warn" : "";
    },

    judgeSwap(a, b, wanted) {
      const both = `${words(a)} ⇄ ${words(b)}`;
      say(`${both} change places`);
      this.judge({ from: a, with: b }, both, false, wanted);
    },

    judge(what, name, nothing, wanted) {
      clearTimeout(judging);
      if (nothing) {
        this.tell("", false);
        return;
      }
      judging = setTimeout(async () => {
        const plan = location.pathname.match(/^\/plans\/\d+/);
        const answer = await fetch(`${plan}/verdict?${new URLSearchParams(what)}`).catch(() => null);
        if (!answer || !answer.ok || !wanted()) return;
        const verdict = await answer.json();
        this.tell(told(name, verdict), verdict.stops > 0);
      }, PATIENCE_MS);
    },

    // What a pin could do: its functions in words, and the knots that could move there.
    showPin(target) {
      for (const knot of this.$root.querySelectorAll(".knot")) {
        knot.classList.toggle("could", !!target && (knot.dataset.options || "").split(" ").includes(target));
      }
      for (const column of this.$root.querySelectorAll(".pin-column")) column.classList.toggle("chosen", column.dataset.target === target);
      const column = target && this.$root.querySelector(`.pin-column[data-target="${CSS.escape(target)}"]`);
      const could = this.$root.querySelectorAll(".knot.could").length;
      this.tell(column ? `${pinName(target)} can: ${column.dataset.able}. ${could} of the lines shown could be here.` : "", false);
    },

    pinChosen(e) {
      this.showPin(e.target.value);
    },

    columnClicked(e) {
      const column = e.target.closest(".pin-column.pin");
      if (!column) return;
      const target = column.classList.contains("chosen") ? "" : column.dataset.target;
      this.$root.querySelector("#pin-could").value = target;
      this.showPin(target);
    },

    // Keys

    key(e) {
      const knot = e.target.closest(".knot");
      if (!knot || e.ctrlKey || e.metaKey || e.altKey) return;
      if ((knot.dataset.options && this.moveKey(knot, e.key)) || this.markKey(knot, e.key)) e.preventDefault();
    },

    moveKey(knot, key) {
      const list = this.places(knot);
      const here = moving && moving.knot === knot ? moving.place.x : +knot.dataset.x;
      if (key === "ArrowRight" || key === "ArrowLeft") {
        const next = key === "ArrowRight" ? list.find((p) => p.x > here) : list.filter((p) => p.x < here).pop();
        if (next) this.offer(knot, next);
      } else if (key === "ArrowDown" || key === "ArrowUp") {
        this.leave();
        const knots = [...this.$root.querySelectorAll(".knot[data-options]")];
        const next = knots[knots.indexOf(knot) + (key === "ArrowDown" ? 1 : -1)];
        if (next) next.focus();
      } else if (key === "Enter" && moving) {
        this.keep();
      } else if (key === "Escape") {
        this.leave();
      } else {
        return false;
      }
      return true;
    },

    // s on two knots swaps them; l locks one.
    markKey(knot, key) {
      if (key === "l") {
        this.send("lock", { from: knot.dataset.line });
      } else if (key !== "s") {
        return false;
      } else if (!swapping || swapping === knot.dataset.line) {
        swapping = swapping ? null : knot.dataset.line;
        say(swapping ? `${words(swapping)} changes places with the knot where you press s next` : "");
      } else {
        this.send("swap", { a: swapping, b: knot.dataset.line });
      }
      return true;
    },

    // The verdict on a swap stands there as soon as the other knot has the focus.
    focused(e) {
      const knot = movable(e.target);
      if (!swapping || !knot || knot.dataset.line === swapping) return;
      this.judgeSwap(swapping, knot.dataset.line, () => !!swapping && document.activeElement === knot);
    },

    unfocused(e) {
      if (moving && !dragging && e.target === moving.knot) this.leave();
    },

    // Pointer

    grab(e) {
      const knot = movable(e.target);
      if (!knot || e.button !== 0) return;
      e.preventDefault();
      knot.focus();
      const move = (ev) => this.drag(knot, ev);
      const up = () => {
        dragging.end();
        if (moving) this.keep();
      };
      const cancel = () => {
        dragging.end();
        this.leave();
      };
      dragging = {
        end() {
          dragging = null;
          document.removeEventListener("pointermove", move);
          document.removeEventListener("pointerup", up);
          document.removeEventListener("pointercancel", cancel);
        },
      };
      document.addEventListener("pointermove", move);
      document.addEventListener("pointerup", up);
      document.addEventListener("pointercancel", cancel);
    },

    drag(knot, e) {
      const svg = knot.ownerSVGElement;
      const p = new DOMPoint(e.clientX, e.clientY).matrixTransform(svg.getScreenCTM().inverse());
      const near = (k) => k !== knot && Math.abs(k.dataset.x - p.x) < NEAR && Math.abs(k.dataset.y - p.y) < NEAR;
      const other = !knot.matches(".none") && [...svg.querySelectorAll(".knot[data-options]:not(.none)")].find(near);
      if (other) {
        this.offerSwap(knot, other);
        return;
      }
      if (moving && moving.other) this.leave();
      this.offer(knot, this.places(knot).reduce((a, b) => Math.abs(b.x - p.x) < Math.abs(a.x - p.x) ? b : a));
    },
  };
};
