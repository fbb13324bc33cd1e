/** Cautions at the step. Every one defers to the machine's manual, local rules and trained people. */
export const CAUTIONS: Record<string, string> = {
  piles: 'Piles move by truck, never by hand.',
  rolls: 'Rolls move by truck and are chocked; keep clear of the nip when a roll starts.',
  laser: 'Imager: the housing stays closed while the laser runs.',
  nips: 'Press nips: guards closed, inch with hands clear.',
  lamps: 'UV lamps: eyes, skin, ozone; uncured UV ink sensitises. Gloves.',
  powder: 'Spray powder: dust in the lungs. Extraction on, no more than the sheet needs, no dry sweeping.',
  solvents: 'Wash-up solvents: fire and vapour. Earthing, extraction, no flame.',
  platen: 'Platen: crushing. Lock out before make-ready; guards closed to run.',
  heat: 'Hot dies and sealing bars: burns.',
  knife: 'Guillotine: two-hand start, guards on, never reach under the clamp.',
  sheeterKnife: 'Sheeter, slitter and perforating rolls: guards closed; stop and lock out before reaching in.',
  rotaryDie: 'Rotary die: sharp and heavy. Gloves and two people or a hoist to change it; guards closed to run.',
  saw: 'Saw and mill: guards closed, clamp the metal, no gloves near the turning tool; stop and lock out before reaching in.',
  eyes: 'Chips fly: eye protection. Fine dust of some metals burns: no flame, extraction as the maker says.',
  rollers: 'Folder: in-running rollers; guards closed, inch with hands clear.',
  repetition: 'Handwork: change hands and task, take the rests that were planned.',
  lifting: 'Lift with two or with a table; pallets move by truck.',
  /** After every caution. */
  defers: 'Follow the machine’s manual and local rules; trained people only.',
};
