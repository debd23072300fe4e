/** What is common to all packs of one chemistry. Source of every figure: convention of this project, docs/model.md */
export interface Chemistry {
  readonly label: string;
  /** Cells in series that the volts and resistance below are for; a pack scales by its own count. */
  readonly tableCells: number;
  /** State of charge that a plan keeps in reserve unless told otherwise, 0 to 1. */
  readonly reserveSoc: number;
  /** Volts at which the protection or a low-voltage disconnect opens, for each of {@link tableCells}'s set. */
  readonly cutoffV: number;
  /** Open-circuit volts at the states of charge of OPEN_CIRCUIT_SOC. */
  readonly openCircuitV: readonly number[];
  /** Hours of the discharge that the label's capacity is rated at. */
  readonly ratingHours: number;
  /** Peukert exponent. */
  readonly peukert: number;
  /** What stands between rest volts and terminals, for a pack of so many cells in series. */
  readonly inside: (cells: number) => InsidePack;
  /** Share of a charge that leaks away in a month of storage, 0 to 1. */
  readonly leaksAMonth: number;
  /** The same for cells made to keep their charge, where there are such. */
  readonly leaksAMonthKept?: number;
  /** Volts that Wh on a label are calculated with, for each of {@link tableCells}'s set. */
  readonly nominalV: number;
  /** Share of the rating that a fixed rule calls usable, 0 to 1. */
  readonly usable: number;
  /** Share of the rating left at the temperatures of CAPACITY_TEMPERATURES_C. */
  readonly capacityByCold: readonly number[];
  /** How it takes a charge, or null where it must not be charged at all. */
  readonly charge: ChargeHabit | null;
  readonly belongsTo: 'lithium' | 'lead' | 'nickel' | 'primary';
  /** Volts that a charge is held at, for each of {@link tableCells}'s set: what its terminals see at the most; null where it must not be charged. */
  readonly absorptionV: number | null;
}

/** What stands between a pack's rest volts and its terminals. Effective figures of direct current at 0.2 to 1 C. */
export interface InsidePack {
  /** Ohmic resistance x rated capacity, ohm Ah: answers at once. */
  readonly ohmicOhmAh: number;
  /** Polarisation x rated capacity, ohm Ah: follows the mean current of minutes. */
  readonly polarisationOhmAh: number;
  /** Volts that the rest volts stand higher while charging than their table says; none in lead. */
  readonly hysteresisV: number;
}

/** So much for a set of cells, in proportion for more of them in series. */
const forEach =
  (set: number, ohmicOhmAh: number, polarisationOhmAh: number, hysteresisV: number) =>
  (cells: number): InsidePack => ({
    ohmicOhmAh: (ohmicOhmAh * cells) / set,
    polarisationOhmAh: (polarisationOhmAh * cells) / set,
    hysteresisV: (hysteresisV * cells) / set,
  });

/** Lithium-ion is told for three and for four cells, each rounded by itself; other counts follow the three. */
const lithiumIonInside = (cells: number): InsidePack =>
  cells === 4 ? forEach(4, 0.33, 0.27, 0.07)(cells) : forEach(3, 0.25, 0.2, 0.05)(cells);

/** How a chemistry takes a charge; currents in C, multiples of the rated Ah an hour. */
export interface ChargeHabit {
  /** Stored / accepted charge, 0 to 1. */
  readonly efficiency: number;
  /** Largest charge current, C, unless the label states one. */
  readonly maxC: number;
  /** State of charge from which the acceptance falls. */
  readonly taperSoc: number;
  /** Acceptance at a full pack, C. */
  readonly endC: number;
  /** What remains of the largest charge current below 0 C: 1, a half, or none. */
  readonly belowFreezing: number;
}

export const OPEN_CIRCUIT_SOC = [0, 0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7, 0.8, 0.9, 1] as const;
export const CAPACITY_TEMPERATURES_C = [-20, -10, 0, 10, 25] as const;

const LEAD_OPEN_CIRCUIT_V = [
  11.4, 11.53, 11.65, 11.82, 11.95, 12.08, 12.2, 12.32, 12.45, 12.58, 12.72, 12.85,
];
const LEAD_COLD = [0.58, 0.72, 0.84, 0.93, 1];
const shifted = (volts: readonly number[], by: number): number[] => volts.map((value) => value + by);
const lead = (efficiency: number, maxC: number): ChargeHabit => ({
  efficiency,
  maxC,
  taperSoc: 0.8,
  endC: 0.01,
  belowFreezing: 0.5,
});

export const CHEMISTRIES = {
  lifepo4: {
    label: 'LiFePO4',
    tableCells: 4,
    reserveSoc: 0.1,
    cutoffV: 10,
    openCircuitV: [10, 12.2, 12.75, 12.85, 12.9, 13, 13.06, 13.12, 13.2, 13.28, 13.32, 13.6],
    ratingHours: 5,
    peukert: 1.03,
    inside: forEach(4, 0.25, 0.2, 0.1),
    leaksAMonth: 0.03,
    nominalV: 12.8,
    usable: 0.9,
    capacityByCold: [0.6, 0.78, 0.9, 0.97, 1],
    charge: { efficiency: 0.99, maxC: 0.5, taperSoc: 0.95, endC: 0.05, belowFreezing: 0 },
    belongsTo: 'lithium',
    absorptionV: 14.4,
  },
  liion: {
    label: 'Li-ion',
    tableCells: 1,
    reserveSoc: 0.1,
    cutoffV: 3,
    openCircuitV: [3, 3.3, 3.45, 3.55, 3.61, 3.65, 3.7, 3.78, 3.87, 3.97, 4.07, 4.18],
    ratingHours: 5,
    peukert: 1.03,
    inside: lithiumIonInside,
    leaksAMonth: 0.03,
    nominalV: 3.6,
    usable: 0.9,
    capacityByCold: [0.65, 0.8, 0.9, 0.97, 1],
    charge: { efficiency: 0.99, maxC: 0.5, taperSoc: 0.8, endC: 0.05, belowFreezing: 0 },
    belongsTo: 'lithium',
    absorptionV: 4.2,
  },
  agm: {
    label: 'AGM (lead-acid)',
    tableCells: 6,
    reserveSoc: 0.5,
    cutoffV: 10.5,
    openCircuitV: LEAD_OPEN_CIRCUIT_V,
    ratingHours: 20,
    peukert: 1.15,
    inside: forEach(6, 0.25, 0.35, 0),
    leaksAMonth: 0.04,
    nominalV: 12,
    usable: 0.5,
    capacityByCold: LEAD_COLD,
    charge: lead(0.92, 0.25),
    belongsTo: 'lead',
    absorptionV: 14.4,
  },
  gel: {
    label: 'gel (lead-acid)',
    tableCells: 6,
    reserveSoc: 0.5,
    cutoffV: 10.5,
    openCircuitV: shifted(LEAD_OPEN_CIRCUIT_V, 0.05),
    ratingHours: 20,
    peukert: 1.2,
    inside: forEach(6, 0.32, 0.4, 0),
    leaksAMonth: 0.03,
    nominalV: 12,
    usable: 0.5,
    capacityByCold: LEAD_COLD,
    charge: lead(0.9, 0.2),
    belongsTo: 'lead',
    absorptionV: 14.2,
  },
  flooded: {
    label: 'flooded (lead-acid)',
    tableCells: 6,
    reserveSoc: 0.5,
    cutoffV: 10.5,
    openCircuitV: shifted(LEAD_OPEN_CIRCUIT_V, -0.15),
    ratingHours: 20,
    peukert: 1.25,
    inside: forEach(6, 0.25, 0.3, 0),
    leaksAMonth: 0.08,
    nominalV: 12,
    usable: 0.5,
    capacityByCold: LEAD_COLD,
    charge: lead(0.85, 0.15),
    belongsTo: 'lead',
    absorptionV: 14.6,
  },
  nimh: {
    label: 'NiMH',
    tableCells: 1,
    reserveSoc: 0.1,
    cutoffV: 1,
    openCircuitV: [1, 1.15, 1.19, 1.22, 1.24, 1.25, 1.26, 1.27, 1.28, 1.3, 1.33, 1.38],
    ratingHours: 5,
    peukert: 1.06,
    inside: forEach(1, 0.035, 0.025, 0.05),
    leaksAMonth: 0.2,
    leaksAMonthKept: 0.02,
    nominalV: 1.2,
    usable: 0.9,
    capacityByCold: [0.4, 0.7, 0.85, 0.95, 1],
    charge: { efficiency: 0.8, maxC: 0.2, taperSoc: 0.9, endC: 0.05, belowFreezing: 0 },
    belongsTo: 'nickel',
    absorptionV: 1.45,
  },
  alkaline: {
    label: 'alkaline',
    tableCells: 1,
    reserveSoc: 0.05,
    cutoffV: 0.9,
    openCircuitV: [0.9, 1, 1.06, 1.13, 1.18, 1.22, 1.27, 1.32, 1.37, 1.43, 1.5, 1.58],
    ratingHours: 50,
    peukert: 1.35,
    inside: forEach(1, 0.35, 0.25, 0),
    leaksAMonth: 0.003,
    nominalV: 1.5,
    usable: 0.95,
    capacityByCold: [0.2, 0.4, 0.65, 0.85, 1],
    charge: null,
    belongsTo: 'primary',
    absorptionV: null,
  },
  lithiumaa: {
    label: 'lithium AA',
    tableCells: 1,
    reserveSoc: 0.05,
    cutoffV: 0.9,
    openCircuitV: [0.9, 1.2, 1.35, 1.42, 1.45, 1.47, 1.49, 1.5, 1.52, 1.55, 1.62, 1.78],
    ratingHours: 20,
    peukert: 1.02,
    inside: forEach(1, 0.25, 0.1, 0),
    leaksAMonth: 0.0005,
    nominalV: 1.5,
    usable: 0.95,
    capacityByCold: [0.8, 0.9, 0.96, 0.99, 1],
    charge: null,
    belongsTo: 'primary',
    absorptionV: null,
  },
} as const satisfies Record<string, Chemistry>;

export type ChemistryName = keyof typeof CHEMISTRIES;

export const CHEMISTRY_NAMES = Object.keys(CHEMISTRIES) as readonly ChemistryName[];

export const chemistryOf = (name: ChemistryName): Chemistry => CHEMISTRIES[name];

/** Cells that must not be charged at all: they leak or burst. */
export const isPrimary = (name: ChemistryName): boolean => chemistryOf(name).charge === null;

export const isLead = (name: ChemistryName): boolean => chemistryOf(name).belongsTo === 'lead';

/** Cells that may be charged again; a lithium AA is none of them. */
export const isLithium = (name: ChemistryName): boolean => chemistryOf(name).belongsTo === 'lithium';

/** Volts of a full pack at rest, V. */
export const fullVolts = (name: ChemistryName, cellsInSeries: number): number => {
  const { openCircuitV, tableCells } = chemistryOf(name);
  return (openCircuitV[openCircuitV.length - 1] * cellsInSeries) / tableCells;
};
