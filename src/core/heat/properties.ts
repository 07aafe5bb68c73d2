import { COVER_KINDS } from "../build";

/** Where a figure comes from: a handbook, within ten percent; or an estimate that a shop may know better. */
export type PropertyTag = "textbook" | "estimate";

/** A material as heat sees it. k in W/mK, density in kg/m3, heat capacity in J/kgK. */
export interface Material {
  name: string;
  kWmK: number;
  /** Along the sheet, where that differs. */
  kInWmK?: number;
  rhoKgM3: number;
  cpJkgK: number;
  /** What k may be. */
  kRange: readonly [number, number];
  tag: PropertyTag;
}

export const MATERIALS = {
  al: { name: "Aluminium", kWmK: 138, rhoKgM3: 2680, cpJkgK: 880, kRange: [130, 200], tag: "textbook" },
  mg: { name: "Magnesium", kWmK: 72, rhoKgM3: 1810, cpJkgK: 1050, kRange: [51, 84], tag: "textbook" },
  abs: { name: "ABS", kWmK: 0.18, rhoKgM3: 1050, cpJkgK: 1400, kRange: [0.15, 0.22], tag: "textbook" },
  pcabs: { name: "PC-ABS", kWmK: 0.21, rhoKgM3: 1130, cpJkgK: 1450, kRange: [0.18, 0.25], tag: "textbook" },
  gf: {
    name: "Glass-fibre composite",
    kWmK: 0.35,
    kInWmK: 0.55,
    rhoKgM3: 1500,
    cpJkgK: 1150,
    kRange: [0.28, 0.5],
    tag: "estimate",
  },
  cfrp: { name: "Carbon laminate", kWmK: 0.7, kInWmK: 5, rhoKgM3: 1550, cpJkgK: 950, kRange: [0.5, 1], tag: "estimate" },
  glass: { name: "Cover glass", kWmK: 1.05, rhoKgM3: 2500, cpJkgK: 840, kRange: [0.95, 1.2], tag: "textbook" },
  lcdGlass: { name: "Display glass", kWmK: 1.1, rhoKgM3: 2450, cpJkgK: 790, kRange: [1, 1.2], tag: "textbook" },
  pet: { name: "PET film", kWmK: 0.2, rhoKgM3: 1390, cpJkgK: 1170, kRange: [0.15, 0.24], tag: "textbook" },
  pmma: { name: "Light guide", kWmK: 0.19, rhoKgM3: 1180, cpJkgK: 1450, kRange: [0.17, 0.21], tag: "textbook" },
  polariser: { name: "Polariser", kWmK: 0.2, rhoKgM3: 1300, cpJkgK: 1400, kRange: [0.17, 0.25], tag: "estimate" },
  tape: { name: "Acrylic foam tape", kWmK: 0.1, rhoKgM3: 700, cpJkgK: 1600, kRange: [0.05, 0.17], tag: "estimate" },
  air: { name: "Air at 50 °C", kWmK: 0.0278, rhoKgM3: 1.09, cpJkgK: 1007, kRange: [0.026, 0.029], tag: "textbook" },
} as const satisfies Record<string, Material>;

export { COVER_KINDS };
export type CoverKind = (typeof COVER_KINDS)[number];

/** A lid's cover as it was measured or looked up. */
export interface Cover {
  kWmK: number;
  kInWmK?: number;
  rhoKgM3: number;
  cpJkgK: number;
  mm: number;
  /** How much it radiates: paint, plastic and glass 0.9, anodised 0.8, bare metal 0.1 to 0.2. */
  eps: number;
}

const cover = (kind: CoverKind, mm: number, eps: number): Cover => {
  const m: Material = MATERIALS[kind];
  return {
    kWmK: m.kWmK,
    ...(m.kInWmK === undefined ? {} : { kInWmK: m.kInWmK }),
    rhoKgM3: m.rhoKgM3,
    cpJkgK: m.cpJkgK,
    mm,
    eps,
  };
};

/** Covers as they usually are; thickness and emissivity are estimates (adj). */
export const COVERS: Readonly<Record<CoverKind, Cover>> = {
  al: cover("al", 0.9, 0.8),
  mg: cover("mg", 0.8, 0.9),
  abs: cover("abs", 2, 0.92),
  pcabs: cover("pcabs", 1.8, 0.92),
  gf: cover("gf", 1.2, 0.92),
  cfrp: cover("cfrp", 1, 0.9),
};

/** A named figure with what it may be: all of these a shop may set (adj). */
export interface Figure {
  name: string;
  value: number;
  range: readonly [number, number];
  unit: string;
  tag: PropertyTag;
}

export const FIGURES = {
  roomC: { name: "Room", value: 23, range: [15, 32], unit: "°C", tag: "estimate" },
  airBackWm2K: { name: "Still air at the back", value: 5, range: [3, 8], unit: "W/m²K", tag: "estimate" },
  airFrontWm2K: { name: "Still air at the front", value: 3, range: [3, 8], unit: "W/m²K", tag: "estimate" },
  epsFront: { name: "Emissivity of the front", value: 0.9, range: [0.85, 0.95], unit: "", tag: "textbook" },
  tapeMm: { name: "Tape where none is described", value: 0.3, range: [0.05, 0.8], unit: "mm", tag: "estimate" },
  rimMm: { name: "Rim under a glass front", value: 2.5, range: [1.5, 4], unit: "mm", tag: "estimate" },
  glassMm: { name: "Glass front", value: 0.6, range: [0.4, 1.1], unit: "mm", tag: "estimate" },
  rimGapMm: { name: "Gap behind the films of a glass front", value: 0.5, range: [0.2, 1], unit: "mm", tag: "estimate" },
  clothWm2K: { name: "Under a cloth", value: 3, range: [2, 4], unit: "W/m²K", tag: "estimate" },
  foilPass: { name: "What foil lets through of a jet", value: 0.1, range: [0, 0.3], unit: "", tag: "estimate" },
  matContactWm2K: { name: "Contact under a mat", value: 150, range: [80, 500], unit: "W/m²K", tag: "estimate" },
  matPowerW: { name: "Power of a mat", value: 250, range: [100, 400], unit: "W", tag: "estimate" },
  matCapacityJK: { name: "Heat a mat holds", value: 300, range: [150, 600], unit: "J/K", tag: "estimate" },
  matLossWK: { name: "What a mat loses to the room", value: 0.3, range: [0.1, 0.8], unit: "W/K", tag: "estimate" },
  batteryContactWm2K: {
    name: "Between battery and what it lies against",
    value: 25,
    range: [10, 60],
    unit: "W/m²K",
    tag: "estimate",
  },
  batteryLossWm2K: { name: "What a battery loses to the room", value: 5, range: [3, 8], unit: "W/m²K", tag: "estimate" },
  batteryJm2K: { name: "Heat a battery holds", value: 1e4, range: [7e3, 1.5e4], unit: "J/m²K", tag: "estimate" },
  sweepMmS: { name: "Speed of the nozzle", value: 40, range: [20, 80], unit: "mm/s", tag: "estimate" },
  dwellS: { name: "Dwell at both ends", value: 1, range: [0, 2], unit: "s", tag: "estimate" },
  softC: { name: "Tape lets go", value: 55, range: [45, 70], unit: "°C", tag: "estimate" },
} as const satisfies Record<string, Figure>;

/** A hot-air tool: nozzle diameter in mm, flow at its outlet in litres per minute. */
export interface ToolFigures {
  diameterMm: number;
  flowLpm: number;
}
export const TOOLS = {
  heatGun: { diameterMm: 35, flowLpm: 350 },
  rework: { diameterMm: 22, flowLpm: 100 },
  hairDryer: { diameterMm: 45, flowLpm: 1300 },
} as const satisfies Record<string, ToolFigures>;

/** What each tool gives, as it is usually set (adj): nozzle temperature in °C, stand-off in mm. */
export const TOOL_RANGES: Readonly<
  Record<keyof typeof TOOLS, { nozzleC: readonly [number, number]; standOffMm: number; words: string }>
> = {
  heatGun: { nozzleC: [80, 250], standOffMm: 60, words: "heat gun, low fan" },
  rework: { nozzleC: [120, 250], standOffMm: 40, words: "rework hand-piece" },
  hairDryer: { nozzleC: [70, 130], standOffMm: 40, words: "hair dryer, hot" },
};

/** Stefan and Boltzmann's constant, W/m2K4. */
export const SIGMA = 5.670374419e-8;
export const KELVIN = 273.15;
