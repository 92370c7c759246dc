/** A drawing of the page as a file of its own: with the colours and letters that it is shown in. */

// What is drawn by style and must go along; the rest stands in the drawing itself.
const STYLES = [
  "fill",
  "fill-opacity",
  "stroke",
  "stroke-width",
  "stroke-dasharray",
  "stroke-linecap",
  "opacity",
  "font-family",
  "font-size",
  "font-weight",
  "text-anchor",
] as const;
// As fine as a good screen.
const SCALE = 2;

/** The drawing as SVG text, on the ground on which it stands. */
export function svgText(drawing: SVGSVGElement): string {
  const copy = drawing.cloneNode(true) as SVGSVGElement;
  const shown = [drawing, ...drawing.querySelectorAll("*")];
  const copied = [copy, ...copy.querySelectorAll("*")];
  shown.forEach((element, index) => {
    const style = getComputedStyle(element);
    const to = copied[index];
    for (const name of STYLES) to?.setAttribute(name, style.getPropertyValue(name));
    to?.removeAttribute("class");
    to?.removeAttribute("style");
  });
  const { width, height } = drawing.getBoundingClientRect();
  const ground = document.createElementNS("http://www.w3.org/2000/svg", "rect");
  ground.setAttribute("width", "100%");
  ground.setAttribute("height", "100%");
  ground.setAttribute("fill", getComputedStyle(document.body).backgroundColor);
  copy.prepend(ground);
  copy.setAttribute("xmlns", "http://www.w3.org/2000/svg");
  copy.setAttribute("viewBox", `0 0 ${width} ${height}`);
  return new XMLSerializer().serializeToString(copy);
}

/** The same as a PNG. */
export async function pngOf(drawing: SVGSVGElement): Promise<Blob> {
  const { width, height } = drawing.getBoundingClientRect();
  const picture = new Image();
  picture.src = URL.createObjectURL(new Blob([svgText(drawing)], { type: "image/svg+xml" }));
  try {
    await picture.decode();
    const canvas = document.createElement("canvas");
    canvas.width = width * SCALE;
    canvas.height = height * SCALE;
    canvas.getContext("2d")?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) =>
      canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error("no picture"))), "image/png"),
    );
  } finally {
    URL.revokeObjectURL(picture.src);
  }
}

/** Hand a file to the browser's downloads. */
export function save(blob: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(blob);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
