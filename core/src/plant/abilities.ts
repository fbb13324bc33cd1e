/** How a value of a machine's card is typed. */
export type AbilityKind = 'length' | 'count' | 'seconds' | 'number';

interface Ability {
  kind: AbilityKind;
  /** What a machine entered anew begins with; absent: it says nothing, and the works' practice counts. Invented: the owner's manual knows. */
  starts?: number;
}

/**
 * What a machine's card may say beside its speed, crew, setup and rates. Each kind of work names those it reads (`Process.abilities`); a machine's card shows
 * those of its kinds of work. Yes and no are 1 and 0.
 */
export const ABILITIES = {
  // the sheet
  gripperMm: { kind: 'length', starts: 10 },
  tailMm: { kind: 'length', starts: 6 },
  sideMm: { kind: 'length', starts: 5 },
  colourBarMm: { kind: 'length', starts: 6 },
  pileMm: { kind: 'length', starts: 1_000 },
  // the web
  minWebMm: { kind: 'length', starts: 250 },
  maxWebMm: { kind: 'length', starts: 520 },
  minRepeatMm: { kind: 'length', starts: 305 },
  maxRepeatMm: { kind: 'length', starts: 762 },
  gearPitchMm: { kind: 'length' },
  edgeTrimMm: { kind: 'length' },
  cutOffMm: { kind: 'length' },
  dryerMPerMin: { kind: 'number' },
  maxRollKg: { kind: 'number' },
  maxRollDiameterMm: { kind: 'length' },
  coreMm: { kind: 'length' },
  rollChangeS: { kind: 'seconds' },
  // printing units
  units: { kind: 'count', starts: 4 },
  perfects: { kind: 'count', starts: 0 },
  unitsBeforeTurn: { kind: 'count' },
  turnUm: { kind: 'number' },
  lamps: { kind: 'count', starts: 0 },
  coater: { kind: 'count', starts: 0 },
  perPlateS: { kind: 'seconds' },
  zones: { kind: 'count' },
  zoneMm: { kind: 'length' },
  // register
  registerMm: { kind: 'length' },
  registerLateralMm: { kind: 'length' },
  registerRoundMm: { kind: 'length' },
  registerCockMm: { kind: 'length' },
  registerMostCockMm: { kind: 'length' },
  registerLateralSign: { kind: 'number' },
  registerRoundSign: { kind: 'number' },
  registerCockSign: { kind: 'number' },
  // foil, dies, folding, places to work at
  foilToPrintMm: { kind: 'length' },
  perDieS: { kind: 'seconds' },
  forceKn: { kind: 'number' },
  beltMmPerS: { kind: 'number', starts: 1_000 },
  foldStations: { kind: 'count' },
  feeders: { kind: 'count' },
  thickMm: { kind: 'length' },
  opensFirstPages: { kind: 'count' },
  bindLengthMm: { kind: 'length' },
  conveyorM: { kind: 'number' },
  sawPerHour: { kind: 'number' },
  trimPerHour: { kind: 'number' },
  inLine: { kind: 'count' },
  filmMm: { kind: 'length' },
  places: { kind: 'count' },
  // cylinders
  bodyFaceMm: { kind: 'length' },
  bodyMm: { kind: 'length' },
  bodyKg: { kind: 'number' },
  heads: { kind: 'count' },
  cellsPerS: { kind: 'count' },
  // gravure and winding
  thinInk: { kind: 'count' },
  reelMm: { kind: 'length' },
  reelCoreMm: { kind: 'length' },
  reelKg: { kind: 'number' },
  webMPerMin: { kind: 'number' },
} as const satisfies Record<string, Ability>;

export type AbilityKey = keyof typeof ABILITIES;
export const ABILITY_KEYS = Object.keys(ABILITIES) as AbilityKey[];
/** What a machine can do, by name; what it does not say, practice does. */
export type Abilities = Partial<Record<AbilityKey, number>>;
export const abilityOf = (key: AbilityKey): Ability => ABILITIES[key];
