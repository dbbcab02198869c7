// The located points of a large plan, on a canvas beneath the plan. Only what is in view is drawn; names are thinned to where there is room.

const CELL = 16;
const FINE = 100;
/** With more points than this in view each is a dot. */
const MOST_SIGNS = 1500;
const NAME = { width: 74, height: 16, letter: 7 };
const MOST_NAMES = 350;
const TAP = 14;
/** Half the side of the square a sign has room in, CSS pixels. */
const SIGN = 12;

/** Points in runs by cells of the sheet, column by column, so that a view asks only what it shows. */
class Cells {
  constructor(x, y) {
    const column = x.map(at => Math.floor(at / FINE / CELL));
    const row = y.map(at => Math.floor(at / FINE / CELL));
    const least = all => all.reduce((one, other) => Math.min(one, other), Infinity);
    const most = all => all.reduce((one, other) => Math.max(one, other), -Infinity);
    this.west = least(column);
    this.north = least(row);
    this.columns = Math.max(0, most(column) - this.west + 1);
    this.rows = Math.max(0, most(row) - this.north + 1);
    this.begins = new Uint32Array(this.columns * this.rows + 1);
    const cell = column.map((at, i) => (at - this.west) * this.rows + row[i] - this.north);
    cell.forEach(at => this.begins[at + 1]++);
    for (let i = 1; i < this.begins.length; i++) this.begins[i] += this.begins[i - 1];
    const next = this.begins.slice();
    this.points = new Uint32Array(column.length);
    cell.forEach((at, i) => { this.points[next[at]++] = i; });
  }

  /** Numbers of the points of all cells that reach into a part of the sheet. */
  within(left, top, right, bottom) {
    const at = (place, from, size) => Math.min(size - 1, Math.max(0, Math.floor(place / CELL) - from));
    if (this.points.length === 0) return this.points;
    const [first, last] = [at(top, this.north, this.rows), at(bottom, this.north, this.rows)];
    const runs = [];
    for (let column = at(left, this.west, this.columns); column <= at(right, this.west, this.columns); column++) {
      runs.push([this.begins[column * this.rows + first], this.begins[column * this.rows + last + 1]]);
    }
    const found = new Uint32Array(runs.reduce((sum, [from, to]) => sum + to - from, 0));
    let filled = 0;
    for (const [from, to] of runs) {
      found.set(this.points.subarray(from, to), filled);
      filled += to - from;
    }
    return found;
  }
}

export class Layer {
  /** @param canvas beneath the plan; @param layer names, places and signs as the server gives them */
  constructor(canvas, layer) {
    this.canvas = canvas;
    this.layer = layer;
    this.x = Float64Array.from(layer.x);
    this.y = Float64Array.from(layer.y);
    this.cells = new Cells(layer.x, layer.y);
    this.lines = layer.lines.map(line => ({ ...line, box: [Math.min(...line.x), Math.min(...line.y), Math.max(...line.x), Math.max(...line.y)] }));
    this.shown = new Uint32Array();
    this.shows = { detail: true, names: true };
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
      this.shown = new Uint32Array();
      return;
    }
    const view = [-matrix.e / matrix.a, -matrix.f / matrix.a, (width - matrix.e) / matrix.a, (height - matrix.f) / matrix.a];
    this.shown = this.cells.within(...view);
    const x = i => this.x[i] / FINE * matrix.a + matrix.e;
    const y = i => this.y[i] / FINE * matrix.a + matrix.f;
    if (this.shown.length > MOST_SIGNS) this.dots(pen, matrix, ratio);
    else this.stamp(pen, x, y, ratio, style.color);
    this.strokeLines(pen, matrix, view);
    if (this.shows.names) this.names(pen, x, y, style, width, height);
  }

  /** Each a small square, set point by point: a pen would take longer for each than all of this. */
  dots(pen, matrix, ratio) {
    const { width, height } = this.canvas;
    if (this.picture?.width !== width || this.picture?.height !== height) this.picture = new ImageData(width, height);
    const points = new Uint32Array(this.picture.data.buffer);
    points.fill(0);
    const ink = this.ink(pen.fillStyle);
    const side = Math.max(2, Math.round(2 * ratio));
    const scale = matrix.a * ratio / FINE;
    const [right, down] = [matrix.e * ratio - side / 2, matrix.f * ratio - side / 2];
    for (let k = 0; k < this.shown.length; k++) {
      const left = Math.round(this.x[this.shown[k]] * scale + right);
      const top = Math.round(this.y[this.shown[k]] * scale + down);
      if (left < 0 || top < 0 || left + side > width || top + side > height) continue;
      for (let row = top; row < top + side; row++) {
        for (let at = row * width + left; at < row * width + left + side; at++) points[at] = ink;
      }
    }
    pen.putImageData(this.picture, 0, 0);
  }

  /** A colour as the four bytes of a point. */
  ink(color) {
    if (this.inked?.color !== color) {
      const pen = new OffscreenCanvas(1, 1).getContext("2d");
      pen.fillStyle = color;
      pen.fillRect(0, 0, 1, 1);
      this.inked = { color, bytes: new Uint32Array(pen.getImageData(0, 0, 1, 1).data.buffer)[0] };
    }
    return this.inked.bytes;
  }

  /** Each with its sign, which is drawn once and stamped. */
  stamp(pen, x, y, ratio, color) {
    const stamps = this.stamps(ratio, color);
    const half = SIGN * ratio;
    pen.setTransform(1, 0, 0, 1, 0, 0);
    for (const i of this.shown) {
      pen.drawImage(stamps[this.layer.sign[i]], Math.round(x(i) * ratio - half), Math.round(y(i) * ratio - half));
    }
    pen.setTransform(ratio, 0, 0, ratio, 0, 0);
  }

  stamps(ratio, color) {
    if (this.stamped?.ratio !== ratio || this.stamped?.color !== color) {
      const all = this.layer.signs.map(path => {
        const stamp = new OffscreenCanvas(Math.ceil(2 * SIGN * ratio), Math.ceil(2 * SIGN * ratio));
        const pen = stamp.getContext("2d");
        pen.setTransform(ratio, 0, 0, ratio, SIGN * ratio, SIGN * ratio);
        pen.strokeStyle = color;
        pen.lineWidth = 1.5;
        pen.stroke(new Path2D(path));
        return stamp;
      });
      this.stamped = { ratio, color, all };
    }
    return this.stamped.all;
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

  /** One name to a patch of the screen, and none in those it reaches into: above, below and to the right. In a crowd each is cut out of it. */
  names(pen, x, y, style, width, height) {
    const crowded = this.shown.length > MOST_SIGNS;
    const paper = getComputedStyle(document.body).backgroundColor;
    const columns = Math.ceil(width / NAME.width) + 2;
    const rows = Math.ceil(height / NAME.height) + 1;
    const taken = new Uint8Array(columns * rows);
    let written = 0;
    pen.font = style.font;
    for (let k = 0; k < this.shown.length && written < MOST_NAMES; k++) {
      const i = this.shown[k];
      const column = Math.floor(x(i) / NAME.width) + 1;
      const row = Math.floor(y(i) / NAME.height);
      if (column < 1 || column >= columns || row < 0 || row >= rows) continue;
      const patch = row * columns + column;
      if (taken[patch] || taken[patch - 1] || taken[patch - columns] || taken[patch + columns]) continue;
      taken[patch] = 1;
      const name = this.layer.names[i];
      if (crowded) {
        pen.fillStyle = paper;
        pen.fillRect(x(i) + 6, y(i) - 14, NAME.letter * name.length, 13);
        pen.fillStyle = style.color;
      }
      pen.fillText(name, x(i) + 7, y(i) - 4);
      written++;
    }
  }

  /** The name of the point nearest to a place of the sheet; empty where none is within reach. */
  nearest(at, scale) {
    let best = "";
    let least = TAP / scale;
    for (const i of this.shown) {
      const distance = Math.hypot(this.x[i] / FINE - at.x, this.y[i] / FINE - at.y);
      if (distance < least) {
        least = distance;
        best = this.layer.names[i];
      }
    }
    return best;
  }
}
