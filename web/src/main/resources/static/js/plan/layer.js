// The located points of a large plan, on a canvas beneath the plan. Only what is in view is drawn; names are thinned to where there is room.

const CELL = 16;
const FINE = 100;
/** With more points than this in view each is a dot. */
const MOST_SIGNS = 1500;
const NAME = { width: 74, height: 16 };
const MOST_NAMES = 350;
const TAP = 14;

/** Points by cells of the sheet, so that a view asks only what it shows. */
function cellsOf(layer) {
  const cells = new Map();
  layer.names.forEach((_, i) => {
    const key = Math.floor(layer.x[i] / FINE / CELL) + " " + Math.floor(layer.y[i] / FINE / CELL);
    if (!cells.has(key)) cells.set(key, []);
    cells.get(key).push(i);
  });
  return cells;
}

export class Layer {
  /** @param canvas beneath the plan; @param layer names, places and signs as the server gives them */
  constructor(canvas, layer) {
    this.canvas = canvas;
    this.layer = layer;
    this.cells = cellsOf(layer);
    this.signs = layer.signs.map(d => new Path2D(d));
    this.lines = layer.lines.map(line => ({ ...line, box: [Math.min(...line.x), Math.min(...line.y), Math.max(...line.x), Math.max(...line.y)] }));
    this.shown = [];
    this.shows = { detail: true, names: true };
  }

  /** Those in view of the sheet, by number. */
  inView(left, top, right, bottom) {
    const found = [];
    for (let column = Math.floor(left / CELL); column <= Math.floor(right / CELL); column++) {
      for (let row = Math.floor(top / CELL); row <= Math.floor(bottom / CELL); row++) {
        const cell = this.cells.get(column + " " + row);
        if (cell) found.push(...cell);
      }
    }
    return found;
  }

  /**
   * Draws what is in view.
   * @param matrix from the sheet to the screen: scale a, shifts e and f, in CSS pixels from the canvas' corner
   */
  draw(matrix, width, height) {
    const ratio = window.devicePixelRatio || 1;
    if (this.canvas.width !== Math.round(width * ratio) || this.canvas.height !== Math.round(height * ratio)) {
      this.canvas.width = Math.round(width * ratio);
      this.canvas.height = Math.round(height * ratio);
    }
    const pen = this.canvas.getContext("2d");
    const style = getComputedStyle(this.canvas);
    pen.setTransform(ratio, 0, 0, ratio, 0, 0);
    pen.clearRect(0, 0, width, height);
    pen.strokeStyle = pen.fillStyle = style.color;
    if (!this.shows.detail) {
      this.shown = [];
      return;
    }
    const view = [-matrix.e / matrix.a, -matrix.f / matrix.a, (width - matrix.e) / matrix.a, (height - matrix.f) / matrix.a];
    this.strokeLines(pen, matrix, view);
    this.shown = this.inView(...view);
    const x = i => this.layer.x[i] / FINE * matrix.a + matrix.e;
    const y = i => this.layer.y[i] / FINE * matrix.a + matrix.f;
    if (this.shown.length > MOST_SIGNS) {
      for (const i of this.shown) pen.fillRect(x(i) - 1, y(i) - 1, 2, 2);
    } else {
      pen.lineWidth = 1.5;
      pen.setLineDash([]);
      for (const i of this.shown) {
        pen.setTransform(ratio, 0, 0, ratio, x(i) * ratio, y(i) * ratio);
        pen.stroke(this.signs[this.layer.sign[i]]);
      }
      pen.setTransform(ratio, 0, 0, ratio, 0, 0);
    }
    if (this.shows.names) this.names(pen, x, y, style.font);
  }

  strokeLines(pen, matrix, [left, top, right, bottom]) {
    pen.lineWidth = 1.5;
    for (const line of this.lines) {
      const [west, north, east, south] = line.box;
      if (east < left * FINE || west > right * FINE || south < top * FINE || north > bottom * FINE) continue;
      pen.setLineDash(line.dashes === "none" ? [] : line.dashes.split(" ").map(Number));
      pen.beginPath();
      line.x.forEach((at, i) => pen.lineTo(at / FINE * matrix.a + matrix.e, line.y[i] / FINE * matrix.a + matrix.f));
      if (line.closed) pen.closePath();
      pen.stroke();
    }
  }

  /** One name to a patch of the screen. */
  names(pen, x, y, font) {
    const taken = new Set();
    pen.font = font;
    for (const i of this.shown) {
      const column = Math.floor(x(i) / NAME.width);
      const patch = column + " " + Math.floor(y(i) / NAME.height);
      if (taken.has(patch) || taken.has(column - 1 + " " + Math.floor(y(i) / NAME.height))) continue;
      taken.add(patch);
      pen.fillText(this.layer.names[i], x(i) + 7, y(i) - 4);
      if (taken.size >= MOST_NAMES) break;
    }
  }

  /** The name of the point nearest to a place of the sheet; empty where none is within reach. */
  nearest(at, scale) {
    let best = "";
    let least = TAP / scale;
    for (const i of this.shown) {
      const distance = Math.hypot(this.layer.x[i] / FINE - at.x, this.layer.y[i] / FINE - at.y);
      if (distance < least) {
        least = distance;
        best = this.layer.names[i];
      }
    }
    return best;
  }
}
