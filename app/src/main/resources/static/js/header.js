// A board's header: what a pin can do under the pointer or focus, and where what is looked for is.
const FIRST = "Point at a pin, or reach it by Tab.";

export default () => ({
  about: FIRST,

  nothing() {},

  show(e) {
    const hole = e.target.closest(".hole");
    if (hole) this.about = hole.dataset.about;
  },

  look(e) {
    const wanted = e.target.value.toLowerCase().replace(/^\s*where (is|are)\b/, "").trim();
    const found = [];
    for (const hole of this.$root.querySelectorAll(".hole")) {
      const has = wanted !== "" && wanted.split(/\s+/).every((word) => hole.dataset.words.includes(word));
      hole.classList.toggle("lit", has);
      hole.classList.toggle("dim", wanted !== "" && !has);
      if (has) found.push(hole.dataset.about.split(/[,:]/)[0]);
    }
    if (wanted === "") this.about = FIRST;
    else if (found.length === 0) this.about = `No pin of this board has “${wanted}”.`;
    else this.about = `${found.length} ${found.length === 1 ? "pin" : "pins"}: ${found.join("; ")}.`;
  },
});
