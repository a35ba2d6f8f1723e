// The editor of own items: rows from a spreadsheet go to the server, which knows the columns; fields that are wrong are marked.
export default () => ({
  paste(e) {
    const table = e.target.closest("table.cells");
    const text = e.clipboardData ? e.clipboardData.getData("text/plain") : "";
    const take = this.$root.querySelector("#take-pasted");
    if (!table || !take || take.value !== `paste:${table.dataset.sheet}` || !/[\t\n]/.test(text.trim())) return;
    e.preventDefault();
    this.$root.querySelector("#pasted").value = text;
    take.click();
  },

  mark() {
    const wrong = new Set([...this.$root.querySelectorAll("#verdict [data-field]")].map((a) => a.dataset.field));
    for (const field of this.$root.querySelectorAll("[name^='/']")) {
      if (wrong.has(field.name)) field.setAttribute("aria-invalid", "true");
      else field.removeAttribute("aria-invalid");
    }
  },

  goTo(e) {
    const link = e.target.closest("a[data-field]");
    const field = link && document.getElementById(link.dataset.field);
    if (!field) return;
    e.preventDefault();
    if (field.closest("details")) field.closest("details").open = true;
    field.scrollIntoView({ block: "center" });
    field.focus({ preventScroll: true });
  },
});
