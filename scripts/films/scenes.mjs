// The scenes of the films that come with the application: drawings that know what they look like at every second.

const ink = "#23211D";
const paper = "#F8F4EA";
const sea = "#7FA3B5";
const deep = "#3C5A73";

/** Height of the water in metres, `hours` after high water of 5 m; low water is 1 m, half a tide takes 6 h 12 min. */
const tideAt = (hours) => 3 + 2 * Math.cos((Math.PI * hours) / 6.2);

const two = (value) => String(value).padStart(2, "0");

const wave = (y, from, to, shift) => {
  let path = `M ${from} ${y}`;
  for (let x = from; x < to; x += 40) path += ` q 10 ${-3 + 2 * Math.sin(shift + x)} 20 0 t 20 0`;
  return `${path} V 360 H ${from} Z`;
};

const boat = (x, y, lean) => `
  <g transform="translate(${x} ${y}) rotate(${lean})">
    <path d="M -62 -14 H 62 L 46 14 H -48 Z" fill="#A8482B" stroke="${ink}" stroke-width="2.5"/>
    <path d="M -20 -14 V -40 H 18 V -14" fill="${paper}" stroke="${ink}" stroke-width="2.5"/>
    <rect x="-12" y="-34" width="10" height="10" fill="${sea}" stroke="${ink}" stroke-width="1.5"/>
    <path d="M 36 -14 V -74" stroke="${ink}" stroke-width="3"/>
    <path d="M 36 -72 l 24 9 l -24 9 z" fill="#235444"/>
  </g>`;

function clock(x, y, hours) {
  const hand = (turn, length, width) =>
    `<path d="M ${x} ${y} l ${length * Math.sin(turn)} ${-length * Math.cos(turn)}" stroke="${ink}" stroke-width="${width}" stroke-linecap="round"/>`;
  const marks = Array.from({ length: 12 }, (_, at) => {
    const turn = (at * Math.PI) / 6;
    return `<path d="M ${x + 36 * Math.sin(turn)} ${y - 36 * Math.cos(turn)} L ${x + 41 * Math.sin(turn)} ${y - 41 * Math.cos(turn)}" stroke="${ink}" stroke-width="2"/>`;
  });
  return `<circle cx="${x}" cy="${y}" r="46" fill="white" stroke="${ink}" stroke-width="3"/>${marks.join("")}
    ${hand((hours * Math.PI) / 6, 22, 5)}${hand(hours * 2 * Math.PI, 34, 3)}`;
}

/** Twelve hours and a half beside a harbour wall with a tide post: from 6 in the morning, four hours of tide in 15 seconds. */
function tide(second) {
  const hours = (second / 48) * 12.4;
  const metres = tideAt(hours);
  const y = (m) => 320 - m * 40;
  const time = 6 + hours;
  const marks = Array.from({ length: 13 }, (_, at) => {
    const m = at / 2;
    return `<path d="M 452 ${y(m)} h ${at % 2 ? 10 : 18}" stroke="${ink}" stroke-width="2"/>${at % 2 ? "" : `<text x="480" y="${y(m) + 6}" font-size="17" fill="${ink}">${m}</text>`}`;
  });
  return `
    <rect width="640" height="360" fill="#E9EFEF"/>
    <circle cx="${90 + hours * 22}" cy="${92 - 36 * Math.sin((Math.PI * hours) / 12.4)}" r="22" fill="#F2D9A0"/>
    <path d="M 0 214 q 60 -46 130 -26 t 140 8 t 182 14 V 360 H 0 Z" fill="#B9C4AE"/>
    <path d="M 0 352 L 300 322 L 452 320 V 360 H 0 Z" fill="#C9B58F" stroke="${ink}" stroke-width="2"/>
    ${boat(300, y(Math.max(metres, 1.35)) - 8, metres < 1.35 ? 5 : 1.5 * Math.sin(second * 1.7))}
    <path d="${wave(y(metres), 0, 452, second)}" fill="${sea}" fill-opacity="0.72"/>
    <rect x="452" y="70" width="188" height="290" fill="#B7AE9C" stroke="${ink}" stroke-width="2.5"/>
    ${Array.from({ length: 6 }, (_, at) => `<path d="M 530 ${110 + at * 44} h 110" stroke="#8d8473" stroke-width="1.5"/>`).join("")}
    <rect x="452" y="${y(6.2)}" width="58" height="${6.2 * 40}" fill="${paper}" stroke="${ink}" stroke-width="2"/>
    ${marks.join("")}
    <path d="M 440 ${y(metres)} l -12 -7 v 14 z" fill="${deep}"/>
    ${clock(580, 62, time)}
    <text x="24" y="40" font-size="22" fill="${ink}" font-weight="600">${two(Math.floor(time))}:${two(Math.floor((time % 1) * 60))}</text>`;
}

/** A boat is lifted from the low basin to the high one: in, the gate shut, the water let in, the other gate open, out. */
function lock(second) {
  const between = (from, to) => Math.max(0, Math.min(1, (second - from) / (to - from)));
  const [low, high] = [286, 190];
  const level = low + (high - low) * between(14, 28);
  const [firstOpen, lastOpen] = [1 - between(8, 12), between(29, 33)];
  const x = 70 + 230 * between(1, 8) + 280 * between(33, 40);
  const inLock = x > 180 && x < 440;
  const y = x <= 180 ? low : inLock ? level : high;
  const gate = (at, open, top) => `
    <rect x="${at - 7}" y="${top}" width="14" height="${330 - top - open * (330 - top - 26)}" fill="#7a5a3a" stroke="${ink}" stroke-width="2"/>
    ${open > 0.9 ? `<path d="M ${at - 16} 330 h 32" stroke="#7a5a3a" stroke-width="8"/>` : ""}`;
  const rising = second > 14 && second < 28;
  return `
    <rect width="640" height="360" fill="#E9EFEF"/>
    <path d="M 440 180 q 60 -50 120 -34 t 80 6 V 200 H 440 Z" fill="#B9C4AE"/>
    <path d="M 0 330 H 450 V 250 H 640 V 360 H 0 Z" fill="#B7AE9C" stroke="${ink}" stroke-width="2"/>
    <path d="M 180 150 V 330 M 450 140 V 250" stroke="#8d8473" stroke-width="10"/>
    ${boat(x, y - 8, 0.8 * Math.sin(second * 2))}
    <path d="${wave(low, 0, 180, second)} " fill="${sea}" fill-opacity="0.75" clip-path="url(#low)"/>
    <path d="${wave(level, 180, 450, second)}" fill="${sea}" fill-opacity="0.75" clip-path="url(#chamber)"/>
    <path d="${wave(high, 450, 640, second)}" fill="${sea}" fill-opacity="0.75" clip-path="url(#high)"/>
    <clipPath id="low"><rect x="0" y="0" width="180" height="330"/></clipPath>
    <clipPath id="chamber"><rect x="180" y="0" width="270" height="330"/></clipPath>
    <clipPath id="high"><rect x="450" y="0" width="190" height="250"/></clipPath>
    ${gate(180, firstOpen, 160)}${gate(450, lastOpen, 120)}
    ${rising ? `<path d="M 444 236 q -24 4 -34 22 m 34 -14 q -18 6 -24 24" fill="none" stroke="white" stroke-width="4" stroke-linecap="round" opacity="${0.6 + 0.4 * Math.sin(second * 9)}"/>` : ""}
    <text x="24" y="40" font-size="20" fill="${ink}" font-weight="600">${(Math.abs(low - y) / 24).toFixed(1)} m</text>`;
}

const said = (from, to, en, es) => ({ from, to, en, es });

export const films = [
  {
    name: "a-tide-in-a-minute",
    seconds: 48,
    draw: tide,
    sound: "sea",
    captions: [
      said(
        0,
        5,
        "It is six in the morning. High water: the post shows five metres.",
        "Son las seis de la mañana. Pleamar: el poste marca cinco metros.",
      ),
      said(
        6,
        12,
        "The tide has turned. The water falls, slowly at first.",
        "La marea ha cambiado. El agua baja, al principio despacio.",
      ),
      said(13, 19, "Halfway down it falls fastest.", "A media bajada es cuando más deprisa baja."),
      said(
        21,
        28,
        "Low water, a little after noon: one metre. The boat sits on the mud.",
        "Bajamar, poco después del mediodía: un metro. El barco descansa en el fango.",
      ),
      said(30, 36, "The flood lifts it again.", "La marea entrante lo levanta de nuevo."),
      said(
        38,
        47,
        "High water again, twelve hours and twenty-five minutes after the last.",
        "Otra vez pleamar, doce horas y veinticinco minutos después de la anterior.",
      ),
    ],
  },
  {
    name: "into-the-lock",
    seconds: 40,
    draw: lock,
    sound: "water",
    captions: [
      said(
        0,
        6,
        "The basin is four metres higher than the harbour. How does a boat get up?",
        "La dársena está cuatro metros más alta que el puerto. ¿Cómo sube un barco?",
      ),
      said(
        7,
        12,
        "It sails into the lock, and the gate shuts behind it.",
        "Entra en la esclusa y la compuerta se cierra detrás.",
      ),
      said(14, 20, "Water is let in from above.", "Desde arriba se deja entrar el agua."),
      said(21, 28, "As the water rises, so does the boat.", "Al subir el agua, sube el barco."),
      said(
        29,
        33,
        "Both sides are level now: the upper gate can open.",
        "Ahora los dos lados están al mismo nivel: se puede abrir la compuerta de arriba.",
      ),
      said(34, 39, "The boat goes out into the basin.", "El barco sale a la dársena."),
    ],
  },
];
