import { formatDuration, formatNumber } from './format';

type Args = Record<string, number | string>;
type Sentence = (a: Args) => string;
const n = (x: number | string | undefined, decimals = 1): string => (typeof x === 'number' ? formatNumber(x, decimals) : (x ?? ''));

/** Titles and sentences of findings: short, the figure in it, what follows. */
export const FINDINGS: Record<string, { title: Sentence; says: Sentence }> = {
  'machine.none': {
    title: (a) => `No machine for ${a['process']}`,
    says: () => 'The plant has no machine for this step. Enter one, or send the work out.',
  },
  'process.unknown': {
    title: (a) => `Unknown work “${a['process']}”`,
    says: () => 'This kind of work is not known here. Take the step off the route.',
  },
  'stock.none': {
    title: (a) => `No stock of “${a['grade']}”`,
    says: () => 'Nothing of this grade is on the stock cards. Choose another board.',
  },
  'layout.nothingFits': {
    title: (a) => `${n(a['byMm'])} mm too large for the sheet`,
    says: (a) => `Not one copy with its bleed fits the usable part of ${a['stock']}. A larger sheet or a smaller piece.`,
  },
  'sheet.overMachine': {
    title: (a) => `Sheet ${n(a['byMm'])} mm ${a['side']} for ${a['machine']}`,
    says: (a) => `${a['sheet']} mm does not run on ${a['machine']}.`,
  },
  'stock.short': {
    title: (a) => `${n(a['short'], 0)} sheets short`,
    says: (a) => `Free stock of ${a['stock']} does not cover the plan. Ordered today it is here in ${n(a['days'], 0)} days.`,
  },
  'stock.customerShort': {
    title: (a) => `Customer sent ${n(a['sent'], 0)}, plan needs ${n(a['need'], 0)}`,
    says: () => 'Ask for more sheets or cut the quantity.',
  },
  'stock.lotCaliper': {
    title: (a) => `Lot is ${n(a['lotUm'], 0)} µm, card says ${n(a['cardUm'], 0)}`,
    says: (a) => `${n(a['percent'], 0)} % off: lifts, piles and folds change with it.`,
  },
  'bleed.small': {
    title: (a) => `Bleed ${n(a['bleedMm'])} mm`,
    says: (a) => `The cut wanders about 1 mm; ${n(a['least'])} mm keeps white edges away.`,
  },
  'text.nearEdge': {
    title: (a) => `Text ${n(a['distanceMm'])} mm from an edge`,
    says: (a) => `Cut and fold wander: keep ${n(a['least'])} mm, or part of it goes.`,
  },
  'tool.out': {
    title: (a) =>
      `Tool ${a['tool']} is ${a['state'] === 'unknown' ? 'not in the store' : a['state'] === 'customer' ? 'with the customer' : 'out'}`,
    says: () => 'Get it back or have a new one made before release.',
  },
  'plate.life': {
    title: (a) => `${n(a['remakes'], 0)} more plates in the run`,
    says: (a) => `A plate lasts about ${n(a['after'], 0)} impressions under this ink; the set is made again.`,
  },
  'ink.total': {
    title: (a) => `${n(a['total'])} % ink on a ${n(a['limit'])} % paper`,
    says: () => 'It will set off and dry slowly. Rebuild the separations.',
  },
  'ink.fill': {
    title: (a) => `${n(a['onPaperKg'], 2)} kg on paper, ${n(a['rollersKg'], 2)} kg in rollers`,
    says: (a) =>
      `${n(a['inks'], 0)} ${a['inks'] === 1 ? 'ink leaves' : 'inks leave'} more in duct and rollers than on the sheets: run jobs of these inks together.`,
  },
  'wait.unmet': {
    title: (a) => `${n(a['hours'])} h are too short to dry`,
    says: (a) => `The ink asks ${n(a['least'])} h at least before ${a['why'] === 'turn' ? 'the sheet is turned' : 'it is cut'}: it marks.`,
  },
  'foil.onInk': {
    title: (a) => (a['why'] === 'wax' ? `Foil on waxed ink` : `Foil after ${n(a['hours'])} h`),
    says: (a) =>
      a['why'] === 'wax'
        ? `${a['series']} holds wax: foil will not take. Another ink series, or try it first.`
        : 'Foil will not take on ink younger than 24 h.',
  },
  'foil.toPrint': {
    title: (a) => `Foil asked to ±${n(a['asked'], 2)} mm`,
    says: (a) => `The machine holds ±${n(a['holds'], 2)} mm. Widen the artwork under the foil.`,
  },
  'lift.high': {
    title: (a) => `Lift of ${n(a['liftMm'], 0)} mm in soft stock`,
    says: (a) => `The knife draws, about 0.5 mm across the pile. ${n(a['limit'], 0)} mm is the limit.`,
  },
  'fold.noScore': {
    title: (a) => `${n(a['gsm'], 0)} g board folded without a score`,
    says: (a) =>
      a['why'] === 'across' ? 'Across the grain it cracks: score before folding.' : 'Coated board cracks: score before folding.',
  },
  'fold.acrossGrain': {
    title: () => 'Grain runs across the fold',
    says: () => 'The card springs open and cracks sooner. Turned copies cost sheets; see what it takes.',
  },
  'fold.sizes': {
    title: (a) => `${n(a['panels'], 0)} panels of ${n(a['foldedMm'])} are not ${n(a['openMm'])} mm`,
    says: () => 'Open size, folds and folded width contradict each other.',
  },
  'pallet.over': {
    title: (a) => `${n(a['kg'], 0)} kg and ${n(a['heightMm'], 0)} mm a pallet`,
    says: (a) => `The limit is ${n(a['limitKg'], 0)} kg and ${n(a['limitMm'], 0)} mm.`,
  },
  'outside.noDate': {
    title: (a) => `${a['supplier']} has given no date`,
    says: () => 'Without a date to come back nothing after it can be promised.',
  },
  'counts.cannotReach': {
    title: () => 'The count cannot be reached',
    says: () => 'This step loses as much as it makes, or the number is beyond any works.',
  },
  'risk.short': {
    title: (a) => `${n(a['inHundred'], 0)} in 100 such jobs fall short`,
    says: (a) => `A guess from handbook ranges; the plant’s limit is ${n(a['limit'], 0)}. Aim higher, or decide to run this risk.`,
  },
  'overs.above': {
    title: (a) => `Aims ${n(a['percent'])} % over`,
    says: (a) => `The customer takes ${n(a['limit'])} % over. What is beyond goes to ${a['extra']}.`,
  },
  'log.thin': {
    title: () => 'Losses are from the handbook, not ours',
    says: (a) => `${n(a['processes'], 0)} of ${n(a['of'], 0)} kinds of work have fewer than ${n(a['least'], 0)} like jobs in the log.`,
  },
  'delivery.sum': { title: (a) => `Deliveries add up to ${n(a['delivered'], 0)}`, says: (a) => `${n(a['ordered'], 0)} were ordered.` },
  'due.missed': {
    title: (a) => `Late by ${formatDuration(Number(a['hours']) * 3600)}`,
    says: () => 'Even with nobody else in the way the job is ready after its date.',
  },
  'override.stale': {
    title: (a) => `A figure set by hand is ${a['why'] === 'past' ? 'past its date' : 'gone'}`,
    says: (a) => (a['why'] === 'past' ? `${a['figure']}: computed again.` : `${a['figure']} is no longer part of this plan.`),
  },
  'choice.stale': {
    title: () => 'A chosen layout answers an older question',
    says: () => 'Size, sheet or margins changed since; the default stands in.',
  },
  'choice.unknown': { title: (a) => `“${a['what']}” is not there any more`, says: () => 'The plant’s default stands in for the choice.' },
};

/** What a remedy's button says. */
export const REMEDIES: Record<string, Sentence> = {
  'remedy.otherMachine': (a) => `Run it on ${a['machine']}`,
  'remedy.otherStock': (a) => `Take ${a['stock']}`,
  'remedy.defaultLayout': () => 'Take the default layout',
  'remedy.orderStock': () => 'Ask the store to order',
  'remedy.askCustomer': () => 'Ask the customer',
  'remedy.bleed': (a) => `Bleed ${n(a['least'])} mm`,
  'remedy.moveText': () => 'Ask prepress to move it',
  'remedy.getTool': () => 'Ask the store to get it',
  'remedy.rebuildSeparations': () => 'Ask prepress to rebuild',
  'remedy.waitDay': () => 'Wait as the handbook asks',
  'remedy.waitLonger': () => 'Wait as the ink asks',
  'remedy.widenArt': () => 'Ask prepress to widen',
  'remedy.aimMore': (a) => `Aim ${n(a['more'], 0)} pieces higher`,
  'remedy.score': () => 'Score before folding',
  'remedy.grainAlong': () => 'Grain along the fold',
  'remedy.lift': (a) => `Lifts of ${n(a['limit'], 0)} mm`,
  'remedy.layer': () => 'One layer less',
  'remedy.askSupplier': () => 'Ask the supplier',
  'remedy.dropOverride': () => 'Back to the computed figure',
  'remedy.dropChoice': () => 'Drop the choice',
  'remedy.foldedFromOpen': () => 'Folded width from the open one',
};

/** Every formula in words: what it is, how it reads, what its terms mean. Terms not named here are steps or flows of the plan. */
export const FORMULAS: Record<string, { name: string; reads: string; terms?: Record<string, string> }> = {
  'counts.wanted': { name: 'Ordered', reads: 'the sum of all versions' },
  'counts.demand': { name: 'Needed', reads: 'the sum of what all that follows takes', terms: { delivered: 'delivered' } },
  'counts.cycles': {
    name: 'Good cycles for this flow',
    reads: 'needed × share ÷ pieces a cycle, rounded up',
    terms: { demand: 'needed', share: 'share of this machine', per: 'pieces a cycle' },
  },
  'counts.need': { name: 'Good cycles needed', reads: 'the greatest of the needs of what it makes' },
  'counts.run': {
    name: 'Run',
    reads: 'setup + (good + samples) ÷ (1 − running loss), rounded up until enough is left',
    terms: {
      need: 'good needed',
      setup: 'lost in setup',
      runningPpm: 'running loss',
      samples: 'samples pulled',
      batchCycles: 'cycles a batch',
      batchLost: 'lost a batch',
    },
  },
  'counts.setup': { name: 'Lost in setup', reads: 'setup cycles, at most the run', terms: { setup: 'setup', run: 'run' } },
  'counts.running': {
    name: 'Lost while running',
    reads: '(run − setup) × running loss, rounded up',
    terms: { run: 'run', setup: 'setup', runningPpm: 'running loss' },
  },
  'counts.samples': { name: 'Samples', reads: 'pulled from the run', terms: { samples: 'samples', run: 'run' } },
  'counts.batch': {
    name: 'Lost at changes',
    reads: 'batches begun × lost at each',
    terms: { run: 'run', batchCycles: 'cycles a batch', batchLost: 'lost at each' },
  },
  'counts.good': {
    name: 'Good',
    reads: 'run − setup − running − samples − changes',
    terms: { run: 'run', setup: 'setup', running: 'running', samples: 'samples', batch: 'changes' },
  },
  'counts.taken': {
    name: 'Taken in',
    reads: 'run × pieces a cycle, and what is spoilt on the way',
    terms: { run: 'run', per: 'pieces a cycle', spoilPpm: 'spoilt' },
  },
  'counts.takenPart': {
    name: 'Taken in',
    reads: 'what is wanted and what is lost; the last one may be short',
    terms: { demand: 'wanted', lost: 'cycles lost', per: 'pieces a cycle', givesPer: 'gives a cycle', spoilPpm: 'spoilt' },
  },
  'counts.over': {
    name: 'Over',
    reads: 'good × pieces a cycle − needed',
    terms: { good: 'good', per: 'pieces a cycle', demand: 'needed' },
  },
  'counts.offsetSetup': {
    name: 'Setup sheets',
    reads: '(four-colour form + (inks − 4) × a further unit) × factor, rounded up',
    terms: { fourColour: 'four-colour form', perUnit: 'each unit more or less', inks: 'inks of this pass', factor: 'new or repeat' },
  },
  'counts.stepSetup': {
    name: 'Setup',
    reads: 'setup of new work × factor, rounded up',
    terms: { fresh: 'new work', factor: 'new or repeat' },
  },
  'counts.runningPpm': { name: 'Running loss', reads: 'share of the run, in whole parts per million', terms: { ppm: 'share' } },
  'counts.samplesPulled': { name: 'Samples pulled', reads: 'whole pieces', terms: { samples: 'samples' } },
  'counts.expectedLoss': {
    name: 'Expected loss',
    reads: 'what the first pile could give − what comes out',
    terms: { started: 'started with', perGood: 'of it per good piece', out: 'comes out' },
  },
  'counts.allowance': {
    name: 'Allowance',
    reads: 'what the first pile could give − the least the order takes',
    terms: { started: 'started with', perGood: 'of it per good piece', least: 'least good' },
  },
  'counts.chance': {
    name: 'Chance of enough',
    reads: 'share of jobs whose loss stays below the allowance: lognormal, all steps together; a guess until there is a log',
    terms: { allowance: 'allowance', expected: 'expected loss', variation: 'spread of losses' },
  },
  'counts.leastGood': {
    name: 'Least good',
    reads: 'ordered × (1 − under), rounded up',
    terms: { wanted: 'ordered', underPpm: 'under allowed' },
  },
  'counts.mostGood': {
    name: 'Most good',
    reads: 'ordered × (1 + over), rounded down',
    terms: { wanted: 'ordered', overPpm: 'over allowed' },
  },
  'counts.lostOfStep': {
    name: 'Lost at this step',
    reads: 'lost ÷ units per finished piece',
    terms: { lost: 'lost', perGood: 'units per piece' },
  },
  'counts.lostPieces': { name: 'Lost, in finished pieces', reads: 'all steps together' },
  'counts.lostKg': {
    name: 'Waste at this step',
    reads: 'lost × width × height × grammage',
    terms: { lost: 'lost', widthMm: 'width', heightMm: 'height', gsm: 'grammage' },
  },
  'counts.wasteKg': { name: 'Waste of one kind', reads: 'all steps together' },
  'counts.trimWaste': { name: 'Trim', reads: 'mass of the sheets − mass of the copies', terms: { sheets: 'sheets', copies: 'copies' } },
  'counts.copiesCut': { name: 'Copies cut', reads: 'sheets × copies up', terms: { sheets: 'sheets', copiesUp: 'copies up' } },
  'stock.caliper': {
    name: 'Caliper',
    reads: 'the measured lot if there is one, else the stock card',
    terms: { card: 'stock card', lot: 'measured lot' },
  },
  'stock.mass': {
    name: 'Mass',
    reads: 'sheets × width × length × grammage',
    terms: { sheets: 'sheets', widthMm: 'width', heightMm: 'length', gsm: 'grammage' },
  },
  'stock.pileHeight': { name: 'Pile height', reads: 'sheets × caliper', terms: { sheets: 'sheets', caliperUm: 'caliper' } },
  'stock.pileSheets': {
    name: 'Sheets a pile',
    reads: 'height ÷ caliper, rounded down',
    terms: { heightMm: 'height', caliperUm: 'caliper' },
  },
  'stock.piles': { name: 'Piles', reads: 'sheets ÷ sheets a pile, rounded up', terms: { sheets: 'sheets', perPile: 'sheets a pile' } },
  'stock.reams': { name: 'Reams', reads: 'sheets ÷ 500, rounded up', terms: { sheets: 'sheets' } },
  'layout.usableWidth': { name: 'Usable width', reads: 'sheet − 2 × side margin', terms: { sheet: 'sheet', side: 'side margin' } },
  'layout.usableDepth': {
    name: 'Usable depth',
    reads: 'sheet − gripper − tail − colour bar',
    terms: { sheet: 'sheet', gripper: 'gripper', tail: 'tail', colourBar: 'colour bar' },
  },
  'layout.greatest': { name: 'Margin', reads: 'the greatest asked by any machine on the route' },
  'layout.withBleed': { name: 'Copy with bleed', reads: 'trim size + 2 × bleed', terms: { trim: 'trim size', bleed: 'bleed' } },
  'layout.sheetUse': {
    name: 'Sheet used',
    reads: 'copies × their area ÷ area of the sheet',
    terms: { copies: 'copies', widthMm: 'width', heightMm: 'height', sheetWidthMm: 'sheet width', sheetHeightMm: 'sheet length' },
  },
  'layout.copiesUp': {
    name: 'Copies up',
    reads: 'the most that straight cuts can take out of the usable sheet',
    terms: { places: 'places found' },
  },
  'form.plates': { name: 'Plates', reads: 'one per ink of the form', terms: { inks: 'inks' } },
  'form.platesInAll': { name: 'Plates', reads: 'the plates of all forms together' },
  'form.plateLife': {
    name: 'Plate life',
    reads: 'rated life × factor of the ink',
    terms: { rated: 'rated life', factor: 'factor of the ink' },
  },
  'form.remakes': {
    name: 'Made again in the run',
    reads: '(cycles ÷ life, rounded up, − 1) × set',
    terms: { cycles: 'cycles', life: 'life', perSet: 'in a set' },
  },
  'form.imagingTime': {
    name: 'Imaging',
    reads: 'test wedge + plates × time each',
    terms: { plates: 'plates', each: 'each', wedge: 'test wedge' },
  },
  'form.foilDies': { name: 'Foil dies', reads: 'copies up × areas', terms: { copiesUp: 'copies up', areas: 'areas' } },
  'form.foilDiePrice': {
    name: 'Price of the dies',
    reads: 'dies × the greater of area × price and the least price',
    terms: { dies: 'dies', widthMm: 'width', heightMm: 'height', perCm2: 'price a cm²', least: 'least price' },
  },
  'ink.onSheets': {
    name: 'Ink on the sheets',
    reads: 'area × coverage × film weight × impressions',
    terms: { areaMm2: 'area (mm²)', coveragePercent: 'coverage', filmGsm: 'wet film', impressions: 'impressions' },
  },
  'ink.total': {
    name: 'Ink',
    reads: 'on the sheets + fill of duct and rollers + wash-up',
    terms: { onSheets: 'on the sheets', fill: 'fill', wash: 'wash-up' },
  },
  'ink.inAll': { name: 'Ink in all', reads: 'all inks together' },
  'ink.foilPerStroke': {
    name: 'Foil a stroke',
    reads: 'dies × pitch ÷ strikes that interleave in a pitch; image + gap for a single die',
    terms: { imageMm: 'image', gapMm: 'gap', pitchMm: 'pitch of the dies', dies: 'dies in a lane' },
  },
  'ink.foilMetres': {
    name: 'Foil',
    reads: 'foil a stroke × strokes × lanes',
    terms: { perStrokeMm: 'a stroke', strokes: 'strokes', lanes: 'lanes' },
  },
  'ink.foilWidth': {
    name: 'Foil width',
    reads: 'image + a margin on both sides',
    terms: { image: 'image', left: 'margin', right: 'margin' },
  },
  'finishing.lifts': { name: 'Lifts', reads: 'sheets ÷ sheets a lift, rounded up', terms: { sheets: 'sheets', perLift: 'sheets a lift' } },
  'finishing.cuts': { name: 'Cuts a lift', reads: 'the program, cut by cut', terms: { cuts: 'cuts' } },
  'finishing.cuttingTime': {
    name: 'Cutting time',
    reads: 'lifts × (cuts × handling + loading)',
    terms: { lifts: 'lifts', cuts: 'cuts', perCut: 'handling a cut', loading: 'loading a lift' },
  },
  'finishing.beltRate': {
    name: 'Rate of the belt',
    reads: 'belt speed ÷ (length + gap)',
    terms: { beltMmPerS: 'belt speed', lengthMm: 'length', gapMm: 'gap' },
  },
  'finishing.slowest': { name: 'Rate', reads: 'the slowest of all', terms: { belt: 'belt', machine: 'machine, net' } },
  'finishing.panels': { name: 'Panels', reads: 'folds + 1', terms: { folds: 'folds' } },
  'finishing.foldedWidth': { name: 'Folded width', reads: 'open width ÷ panels', terms: { openMm: 'open width', panels: 'panels' } },
  'finishing.foldedThickness': {
    name: 'Folded thickness',
    reads: 'panels × caliper',
    terms: { panels: 'panels', caliperUm: 'caliper', extraUm: 'more' },
  },
  'finishing.pieceMass': {
    name: 'Mass of a piece',
    reads: 'area × grammage + what is added',
    terms: { widthMm: 'width', heightMm: 'height', gsm: 'grammage', extraG: 'envelope (g)' },
  },
  'finishing.handsTime': {
    name: 'Work of hands',
    reads: 'pieces × seconds each × (1 + rest)',
    terms: { pieces: 'pieces', secondsEach: 'each', rest: 'rest' },
  },
  'finishing.clockTime': { name: 'On the clock', reads: 'work ÷ people', terms: { handsS: 'work', people: 'people' } },
  'finishing.secondsEach': { name: 'Seconds a piece', reads: 'the sum of all that is done to it' },
  'finishing.packs': {
    name: 'Packs',
    reads: 'pieces ÷ pieces each, rounded up; the last may be short',
    terms: { pieces: 'pieces', perPack: 'each' },
  },
  'finishing.perCarton': {
    name: 'Pieces a carton',
    reads: 'as set, else what the carton may weigh and what it has room for, in whole bands',
    terms: {
      set: 'as set (0: not set)',
      limitKg: 'carton may hold',
      pieceKg: 'a piece',
      perBand: 'pieces a band',
      stacks: 'stacks side by side',
      heightMm: 'carton height',
      thicknessMm: 'thickness of a piece',
    },
  },
  'finishing.pieceThickness': {
    name: 'Thickness in the carton',
    reads: '(panels × caliper + envelope) × air',
    terms: { panels: 'panels', caliperUm: 'caliper', envelopeUm: 'envelope', air: 'air between' },
  },
  'finishing.cartonKg': {
    name: 'Mass of a carton',
    reads: 'pieces × mass + empty carton',
    terms: { pieces: 'pieces', pieceKg: 'a piece', emptyKg: 'empty' },
  },
  'finishing.perLayer': { name: 'Cartons a layer', reads: 'the most that fit the pallet flat', terms: { places: 'places' } },
  'finishing.layers': {
    name: 'Layers',
    reads: 'as set, else the smaller by height and by mass',
    terms: {
      set: 'as set (0: not set)',
      heightMm: 'height allowed',
      palletMm: 'pallet',
      cartonMm: 'carton',
      limitKg: 'mass allowed',
      perLayer: 'cartons a layer',
      cartonKg: 'a carton',
    },
  },
  'finishing.perPallet': { name: 'Cartons a pallet', reads: 'cartons a layer × layers', terms: { perLayer: 'a layer', layers: 'layers' } },
  'finishing.palletKg': {
    name: 'Mass',
    reads: 'cartons × mass + pallet',
    terms: { cartons: 'cartons', cartonKg: 'a carton', emptyKg: 'pallet' },
  },
  'finishing.palletHeight': {
    name: 'Height of a pallet',
    reads: 'layers × carton + pallet',
    terms: { layers: 'layers', cartonMm: 'carton', palletMm: 'pallet' },
  },
  'route.setupTime': {
    name: 'Setup time',
    reads: 'setup of the machine + forms × time each',
    terms: { base: 'machine', forms: 'forms', perForm: 'each' },
  },
  'route.runTime': { name: 'Running time', reads: 'cycles ÷ net speed', terms: { cycles: 'cycles', perHour: 'net speed' } },
  'route.sum': { name: 'Time', reads: 'the sum', terms: { wait: 'wait', run: 'run' } },
  'route.later': { name: 'Not before', reads: 'end of the step before + wait', terms: { from: 'end before', by: 'wait' } },
  'route.start': {
    name: 'Start',
    reads: 'when all is there, in the next open hour',
    terms: { after: 'all is there', closedS: 'closed hours' },
  },
  'route.end': {
    name: 'End',
    reads: 'start + setup + run + closed hours between',
    terms: { start: 'start', setupS: 'setup', runS: 'run', closedS: 'closed hours' },
  },
  'route.latest': { name: 'The last of all', reads: 'the latest moment', terms: { now: 'now' } },
  'cost.each': { name: 'Cost', reads: 'number × price', terms: { number: 'number', price: 'price' } },
  'cost.foil': {
    name: 'Cost of foil',
    reads: 'metres × width × price',
    terms: { metres: 'metres', widthMm: 'width', perM2: 'price a m²' },
  },
  'cost.machine': {
    name: 'Machine cost',
    reads: 'setup hours × setup rate + run hours × run rate',
    terms: { setupS: 'setup', setupRate: 'setup rate', runS: 'run', runRate: 'run rate' },
  },
  'cost.stock': { name: 'Cost of stock', reads: 'number × price per thousand', terms: { number: 'number', perThousand: 'per thousand' } },
  'cost.ink': { name: 'Cost of ink', reads: 'mass × price', terms: { kg: 'mass', perKg: 'a kilogram' } },
  'cost.total': { name: 'Planning cost', reads: 'the sum of all costs' },
  'cost.perThousand': {
    name: 'Per thousand',
    reads: 'planning cost ÷ good pieces × 1000',
    terms: { total: 'planning cost', good: 'good pieces' },
  },
  'cost.runOn': {
    name: 'A thousand more',
    reads: '(planning cost − setups and forms) ÷ good pieces × 1000',
    terms: { total: 'planning cost', fixed: 'setups and forms', good: 'good pieces' },
  },
  'total.sheets': { name: 'Sheets to pull', reads: 'all stocks together' },
  'total.machineS': { name: 'On machines', reads: 'all setups and runs' },
  'total.waitS': { name: 'Waiting', reads: 'all waits on the clock' },
  'total.inkKg': { name: 'Ink', reads: 'all inks together' },
  'total.plates': { name: 'Plates', reads: 'all plates, those made again too' },
  'total.wasteKg': { name: 'Waste', reads: 'trim, setup, running and samples together' },
  'total.good': { name: 'Good pieces', reads: 'all that leaves the house' },
};

/** Cautions at the step. Every one defers to the machine's manual, local rules and trained people. */
export const CAUTIONS: Record<string, string> = {
  piles: 'Piles move by truck, never by hand.',
  laser: 'Imager: the housing stays closed while the laser runs.',
  nips: 'Press nips: guards closed, inch with hands clear.',
  lamps: 'UV lamps: eyes, skin, ozone; uncured UV ink sensitises. Gloves.',
  solvents: 'Wash-up solvents: fire and vapour. Earthing, extraction, no flame.',
  platen: 'Platen: crushing. Lock out before make-ready; guards closed to run.',
  heat: 'Hot dies and sealing bars: burns.',
  knife: 'Guillotine: two-hand start, guards on, never reach under the clamp.',
  rollers: 'Folder: in-running rollers; guards closed, inch with hands clear.',
  repetition: 'Handwork: change hands and task, take the rests that were planned.',
  lifting: 'Lift with two or with a table; pallets move by truck.',
};
export const CAUTION_DEFERS = 'Follow the machine’s manual and local rules; trained people only.';

/** Labels of panel rows, choices, totals and places in the program. */
export const LABELS: Record<string, string> = {
  stock: 'Stock',
  owner: 'Whose stock',
  copiesUp: 'Copies up',
  sheetUse: 'Sheet used',
  sheetsToPull: 'Sheets to pull',
  mass: 'Mass',
  reams: 'Reams',
  piles: 'Piles',
  gripper: 'Gripper',
  cost: 'Cost',
  plates: 'Plates',
  formBoth: 'Form, both sides',
  formFront: 'Form, front',
  formBack: 'Form, back',
  imaging: 'Imaging',
  imagingEach: 'Time a plate',
  press: 'Press',
  machine: 'Machine',
  workStyle: 'Work style',
  inkOrder: 'Ink order',
  setupKind: 'Setup',
  setupSheets: 'Setup',
  runningLoss: 'Running loss',
  speed: 'Net speed',
  inkKg: 'Ink',
  inkOf: 'Ink',
  remakes: 'Plates made again',
  dies: 'Dies',
  foilPerStroke: 'Foil a stroke',
  foilMetres: 'Foil',
  foilWidth: 'Foil width',
  waitBefore: 'Waits before, on the clock',
  dwell: 'Heat and dwell',
  cuts: 'Cuts a lift',
  sheetsPerLift: 'Sheets a lift',
  liftHeight: 'Lift height',
  lifts: 'Lifts',
  cuttingTime: 'Cutting time',
  secondsPerCut: 'Handling a cut',
  trimWaste: 'Trim waste',
  score: 'Score',
  panels: 'Panels',
  foldedWidth: 'Folded width',
  thickness: 'Folded thickness',
  rate: 'Rate',
  people: 'People',
  secondsEach: 'Seconds a piece',
  handsTime: 'Work of hands',
  clockTime: 'On the clock',
  suppliedPieces: 'To have there',
  perBand: 'Pieces a band',
  bands: 'Bands',
  perCarton: 'Pieces a carton',
  pieceMass: 'Mass of a piece',
  cartonMass: 'Mass of a carton',
  cartons: 'Cartons',
  perLayer: 'Cartons a layer',
  layers: 'Layers',
  pallets: 'Pallets',
  palletMass: 'Mass of a full pallet',
  palletHeight: 'Height of a full pallet',
  setupTime: 'Setup time',
  runTime: 'Running time',
  startAt: 'Starts',
  endAt: 'Ends',
  makersSheet: 'as the foil maker’s sheet says',
  // choices
  simplex: 'one side',
  sheetwise: 'sheetwise, two forms',
  turn: 'work and turn',
  tumble: 'work and tumble',
  perfect: 'perfecting, one pass',
  blackFirst: 'K C M Y, then special',
  cyanFirst: 'C M Y K, then special',
  yellowFirst: 'Y M C K, then special',
  new: 'new',
  repeat: 'repeat work',
  none: 'none',
  works: 'the works’',
  customer: 'the customer’s',
  // where a value comes from
  typed: 'typed',
  family: 'from the product',
  plant: 'plant',
  shelf: 'store and clock',
  log: 'own log',
  standard: 'standard',
  search: 'search',
  guess: 'guess',
  // why a step waits
  'wait.turn': 'ink dries before turning',
  'wait.foil': 'ink dries before foil',
  'wait.cut': 'ink dries before cutting',
  // what a ready date rests on
  'assume.nobodyElse': 'nobody else in the way',
  'assume.stock': 'paper',
  'assume.goods': 'bought goods',
  'assume.tool': 'dies',
  'assume.gate': 'answer',
  'assume.hoursUnknown': 'opening hours beyond the calendar',
  // totals
  'total.sheets': 'to pull',
  'total.plates': 'to make',
  'total.inkKg': 'ink',
  'total.machineS': 'on machines',
  'total.waitS': 'waiting',
  'total.readyAt': 'ready',
  'total.money': 'planning cost',
  'total.perThousand': 'per thousand',
  'total.runOn': 'a thousand more',
  'total.wasteKg': 'waste',
  // departments and ticket
  'dept.store': 'Paper store',
  'dept.prepress': 'Plates',
  'dept.ink': 'Ink kitchen',
  'dept.press': 'Press',
  'dept.foil': 'Foil',
  'dept.guillotine': 'Guillotine',
  'dept.fold': 'Score and fold',
  'dept.bench': 'Bench',
  'dept.packing': 'Packing and dispatch',
  lots: 'Lots',
  grain: 'Grain and climate',
  forms: 'Forms',
  sequence: 'Sequence',
  passes: 'Passes',
  program: 'Cutting program',
  motions: 'What each piece gets',
  deliveries: 'Deliveries',
  // lost
  setup: 'setup',
  running: 'running',
  samples: 'samples',
  batch: 'changes',
  'waste.setup.kg': 'Setup',
  'waste.running.kg': 'Running',
  'waste.samples.kg': 'Samples',
};

export const LEVEL_WORDS: Record<string, string> = {
  release: 'Blocks release',
  start: 'Blocks the start',
  close: 'Blocks closing',
  decide: 'Decide',
  know: 'Know',
};

/** A label, or the word itself where the catalogue has none (names typed by people). */
export const label = (key: string): string => LABELS[key] ?? key;
export const findingTitle = (code: string, args: Args): string => FINDINGS[code]?.title(args) ?? code;
export const findingSays = (code: string, args: Args): string => FINDINGS[code]?.says(args) ?? '';
export const remedySays = (code: string, args: Args): string => REMEDIES[code]?.(args) ?? code;
