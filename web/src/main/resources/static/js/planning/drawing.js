// Draws ground and plan, and says where a finger is. It computes nothing of the plan: places come in millimetres from the core.

const SVG = "http://www.w3.org/2000/svg";
const SHEET = { width: 800, height: 560, border: 56 };
/** The middle ellipse is drawn about that large, picture points. */
const ELLIPSE = 36;

function make(tag, attributes = {}, ...inside) {
  const element = document.createElementNS(SVG, tag);
  for (const [name, value] of Object.entries(attributes)) element.setAttribute(name, value);
  element.append(...inside);
  return element;
}

/** How a sight passes, as the core says it and styles know it. */
export const VIEWS = { clear: "clear", grazing: "grazing", blocked: "blocked" };
const STEPS = { W: "well", F: "fairly", P: "poorly" };
const WORDS = { W: "fixed well", F: "fixed", P: "hardly fixed" };
const nice = most => [1, 2, 5].map(n => n * 10 ** Math.floor(Math.log10(most))).filter(n => n <= most).pop();

export class Drawing {
  constructor(svg, unit) {
    /** Units of the job: north and east of the middle of the sheet, and picture points for each. */
    this.view = { north: 0, east: 0, scale: 1 };
    this.svg = svg;
    this.unit = unit;
  }

  part(id) {
    return this.svg.querySelector(`#${id}`);
  }

  /** Fits places into the sheet. */
  fit(places) {
    if (!places.length) return;
    const norths = places.map(p => p.northing);
    const easts = places.map(p => p.easting);
    const [south, north, west, east] = [Math.min(...norths), Math.max(...norths), Math.min(...easts), Math.max(...easts)];
    const wide = Math.max(east - west, 1);
    const high = Math.max(north - south, 1);
    this.view = { north: (north + south) / 2, east: (east + west) / 2,
      scale: Math.min((SHEET.width - 2 * SHEET.border) / wide, (SHEET.height - 2 * SHEET.border) / high) };
  }

  zoom(times) {
    this.view.scale *= times;
  }

  x(easting) { return SHEET.width / 2 + (easting - this.view.east) * this.view.scale; }
  y(northing) { return SHEET.height / 2 - (northing - this.view.north) * this.view.scale; }

  /** Where a pointer is on the ground, in the job's units. */
  at(event) {
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(this.svg.getScreenCTM().inverse());
    return { northing: this.view.north - (point.y - SHEET.height / 2) / this.view.scale,
      easting: this.view.east + (point.x - SHEET.width / 2) / this.view.scale };
  }

  pan(from, to) {
    const scale = this.svg.getScreenCTM().a * this.view.scale;
    this.view.east -= (to.clientX - from.clientX) / scale;
    this.view.north += (to.clientY - from.clientY) / scale;
  }

  /** What lies on the sheet, in the job's units. */
  extent() {
    const high = SHEET.height / this.view.scale;
    const wide = SHEET.width / this.view.scale;
    return { south: this.view.north - high / 2, west: this.view.east - wide / 2, high, wide };
  }

  line(corners, closed) {
    return corners.map((c, i) => `${i ? "L" : "M"}${this.x(c.easting).toFixed(1)} ${this.y(c.northing).toFixed(1)}`).join("") + (closed ? "Z" : "");
  }

  /** A map or picture, faint, as it was laid. */
  beneath(picture, address) {
    if (!picture) return;
    const { north, east, wide, high } = picture;
    const scale = this.view.scale;
    const matrix = [east[1] * scale, -north[1] * scale, east[2] * scale, -north[2] * scale, this.x(east[0]), this.y(north[0])];
    const image = this.part("beneath").firstChild ?? make("image", { preserveAspectRatio: "none" });
    if (image.getAttribute("href") !== address) for (const [name, value] of Object.entries({ href: address, width: wide, height: high })) image.setAttribute(name, value);
    image.setAttribute("transform", `matrix(${matrix.join(" ")})`);
    if (!image.parentNode) this.part("beneath").append(image);
  }

  obstacles(obstacles, unseen) {
    this.part("obstacles").replaceChildren(
      ...obstacles.map((o, i) => make("path", { class: `obstacle ${o.kind}${o.closed ? " closed" : ""}`, d: this.line(o.corners, o.closed), "data-obstacle": i },
        make("title"))),
      ...unseen.map(side => make("path", { class: "unseen-side", d: this.line([side.from, side.to], false) }, make("title"))));
    obstacles.forEach((o, i) => { this.part("obstacles").children[i].firstChild.textContent = o.name; });
  }

  /** Marks that see each other. */
  inSight(pairs) {
    this.part("in-sight").replaceChildren(...pairs.map(pair => make("path", { d: this.line([pair.from, pair.to], false) })));
  }

  rays(rays) {
    this.part("rays").replaceChildren(...rays.map(ray => make("path", { class: `ray ${VIEWS[ray.view] ?? ""}`, d: this.line([ray.from, ray.to], false) })));
  }

  /** 95 % ellipses, all enlarged alike; answers by how much. */
  ellipses(marks, times) {
    this.part("ellipses").replaceChildren(...marks.filter(m => m.a).map(m => {
      const turn = m.azimuth / 10 - 90;
      const size = hundredths => Math.max(1.5, hundredths / 1e5 / this.unit.metres * this.view.scale * times);
      return make("ellipse", { class: m.missed ? "missed" : "", rx: size(m.a).toFixed(1), ry: size(m.b).toFixed(1),
        transform: `translate(${this.x(m.easting).toFixed(1)} ${this.y(m.northing).toFixed(1)}) rotate(${turn})` });
    }));
  }

  /** A whole number by which ellipses are enlarged, so that the middle one is seen. */
  enlargement(marks) {
    const sizes = marks.filter(m => m.a).map(m => m.a / 1e5 / this.unit.metres).sort((a, b) => a - b);
    if (!sizes.length) return 1;
    const times = ELLIPSE / (sizes[sizes.length >> 1] * this.view.scale);
    return Math.max(1, nice(times));
  }

  signs(signs) {
    this.part("signs").replaceChildren(...signs.map(sign => {
      const shape = sign.kind === "control" ? make("path", { d: "M-7 6h14l-7-13z", class: "control" })
        : make("circle", { r: sign.kind === "setup" ? 9 : 4.5, class: sign.kind });
      // At the right rim a name stands left of its sign, where there is room.
      const left = this.x(sign.easting) > SHEET.width - 90;
      const text = make("text", { x: left ? -12 : 12, y: sign.kind === "setup" ? 20 : -7, "text-anchor": left ? "end" : "start" });
      text.textContent = sign.name;
      return make("g", { class: `sign of-${sign.kind}${sign.chosen ? " chosen" : ""}${sign.free ? " free" : ""}`, "data-kind": sign.kind, "data-name": sign.name,
        transform: `translate(${this.x(sign.easting).toFixed(1)} ${this.y(sign.northing).toFixed(1)})` },
        make("circle", { r: 18, class: "touch" }), shape, text);
    }));
  }

  /** One sign at another place; the others stay as they are. */
  moveSign(kind, name, place) {
    this.part("signs").querySelector(`[data-kind="${kind}"][data-name="${CSS.escape(name)}"]`)
      ?.setAttribute("transform", `translate(${this.x(place.easting).toFixed(1)} ${this.y(place.northing).toFixed(1)})`);
  }

  seen(corners) {
    this.part("seen").setAttribute("d", corners.length ? this.line(corners, true) : "");
  }

  draft(corners) {
    this.part("draft").replaceChildren(make("path", { d: this.line(corners, false) }),
      ...corners.map(c => make("circle", { r: 4, cx: this.x(c.easting), cy: this.y(c.northing) })));
  }

  /** The ground's worth: rows of signs from south to north; runs of one step make one stroke pattern, and the longest run bears its word. */
  worth(rows, grid) {
    const paths = { W: "", F: "", P: "" };
    const longest = {};
    const step = grid.step * this.view.scale;
    rows.forEach((row, r) => {
      const y = this.y(grid.south + r * grid.step) - step / 2;
      for (let from = 0; from < row.length;) {
        let to = from;
        while (to < row.length && row[to] === row[from]) to++;
        if (paths[row[from]] !== undefined) {
          const x = this.x(grid.west + from * grid.step) - step / 2;
          paths[row[from]] += `M${x.toFixed(1)} ${y.toFixed(1)}h${((to - from) * step).toFixed(1)}v${step.toFixed(1)}h${(-(to - from) * step).toFixed(1)}z`;
          if (!(longest[row[from]]?.places >= to - from)) longest[row[from]] = { places: to - from, x: x + (to - from) * step / 2, y: y + step / 2 };
        }
        from = to;
      }
    });
    this.part("worth").replaceChildren(...Object.entries(paths).filter(([, d]) => d)
      .map(([sign, d]) => make("path", { class: `step-${STEPS[sign]}`, d })),
      ...Object.entries(longest).map(([sign, at]) => {
        const text = make("text", { x: at.x, y: at.y, "text-anchor": "middle" });
        text.textContent = WORDS[sign];
        return text;
      }));
  }

  bar() {
    const length = nice(180 / this.view.scale);
    this.part("bar-line").setAttribute("d", `M0 -5V5M0 0H${length * this.view.scale}M${length * this.view.scale} -5V5`);
    this.part("bar-words").textContent = `${length} ${this.unit.sign}`;
  }
}
