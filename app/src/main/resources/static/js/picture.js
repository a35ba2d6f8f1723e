// A drawing as pixels: the browser draws the same file that it can take away as SVG.
const SCALE = 2;

export default () => ({
  async png() {
    const svg = await (await fetch(this.$el.dataset.svg)).text();
    const image = new Image();
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
    await image.decode();
    const canvas = document.createElement("canvas");
    canvas.width = SCALE * image.width;
    canvas.height = SCALE * image.height;
    canvas.getContext("2d").drawImage(image, 0, 0, canvas.width, canvas.height);
    const link = document.createElement("a");
    link.href = canvas.toDataURL("image/png");
    link.download = "pins.png";
    link.click();
  },
});
