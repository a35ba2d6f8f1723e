// A click on the glass puts the text that was typed last there.
export default () => {
  let number = 1;

  return {
    typed(e) {
      const of = /^(?:text|row|column)([1-4])$/.exec(e.target.name || "");
      if (of) number = of[1];
    },

    place(e) {
      const glass = e.target.closest("svg.cells, svg.boxes"), form = this.$root.querySelector("form");
      if (!glass) return;
      const box = glass.getBoundingClientRect(), cells = glass.matches(".cells");
      const across = (e.clientX - box.left) / box.width, down = (e.clientY - box.top) / box.height;
      const columns = +glass.dataset.columns, rows = +glass.dataset.rows;
      const at = (part, count) => Math.min(count - 1, Math.max(0, Math.floor(part * count)));
      // The frame round the cells is a quarter of one wide.
      const inner = (part, count, size) => at((part * (count * size + 6) - 3) / (count * size), count);
      form.elements[`column${number}`].value = cells ? inner(across, columns, 12) : at(across, columns);
      form.elements[`row${number}`].value = cells ? inner(down, rows, 20) : at(down, rows);
      form.elements[`anchor${number}`].value = "numbers";
      form.dispatchEvent(new Event("change", { bubbles: true }));
    },
  };
};
