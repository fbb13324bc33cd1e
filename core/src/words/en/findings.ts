import { type Args, type FindingWords, type Sentence } from '../kind-words';
import { formatDuration, said } from '../format';
import { ofAllKinds } from './kinds';
import { LABELS } from './labels';

const gateWord = (a: Args): string => {
  const word = LABELS[String(a['what'])] ?? String(a['what']);
  return word.charAt(0).toUpperCase() + word.slice(1);
};

/** Titles and sentences of findings: short, the figure in it, what follows. */
/** What wet ink has to wait for. */
const BEFORE: Readonly<Record<string, string>> = { turn: 'the sheet is turned', pass: 'the next pass', coat: 'the coat is laid over it' };

export const FINDINGS: Record<string, FindingWords> = {
  ...ofAllKinds('findings'),
  'gate.waiting': {
    title: (a) => `${gateWord(a)} ${a['version']}: no answer from ${a['who']}`,
    says: (a) =>
      Number(a['lateH'] ?? 0) > 0
        ? `It was wanted ${said(a['lateH'], 0)} h ago. The ready date moves with every hour; ask, or let the customer choose a later date.`
        : 'It waits for this answer. The ready date counts on the day it was asked for.',
  },
  'gate.refused': {
    title: (a) => `${gateWord(a)} ${a['version']}: ${a['who']} said no`,
    says: () => 'Make a new version, enter it, and ask again.',
  },
  'gate.nowhere': {
    title: (a) => `${gateWord(a)} ${a['version']} holds a step that is gone`,
    says: (a) => `The route has no ${a['stone']} any more: let it hold another step or the release.`,
  },
  'frozen.changed': {
    title: (a) => (a['gone'] === 'yes' ? 'Released early, and no longer needed' : `${a['what']}: released early, and changed since`),
    says: (a) =>
      a['gone'] === 'yes'
        ? 'It is being bought or made already. Take the change back, or revise the early release with a reason.'
        : `The plan now wants ${said(a['now'], 0)}. Take the change back, or revise the early release with a reason.`,
  },
  'type.small': {
    title: (a) =>
      a['what'] === 'type' ? `Reversed ${said(a['pt'])} pt out of ${a['inks']} inks fills in` : `Line of ${said(a['line'], 2)} mm breaks`,
    says: (a) =>
      a['what'] === 'type'
        ? 'Every ink is off by a little: let one carry the type, or make it larger.'
        : `Plates hold ${said(a['least'], 2)} mm and more.`,
  },
  'coat.onGlue': {
    title: () => 'Coat on a glue area: the joint opens',
    says: () => 'Glue holds on paper, not on varnish. Knock the coat out where it is to be glued.',
  },
  'plates.version': {
    title: (a) => `Plates are ${a['made']}, approval is ${a['approved']}`,
    says: (a) => `${a['forms']} forms carry artwork nobody said yes to. Make them again, or ask for approval of what they carry.`,
  },
  'ink.noDrawDown': {
    title: (a) => `No accepted draw-down of ${a['ink']}`,
    says: () => 'It is mixed: the press begins when somebody has accepted a draw-down on this stock.',
  },
  'ink.notFast': {
    title: (a) => `${a['what']}: nobody says it stands ${a['use']}`,
    says: (a) =>
      `The print must stand ${a['use']}; the card of this ink does not say so.${Number(a['more']) > 0 ? ` ${a['more']} more like it.` : ''}`,
  },
  'register.finest': {
    title: (a) => `${said(a['asked'], 3)} mm asked, the press holds ±${said(a['holds'], 3)}`,
    says: () => 'The finest place will show. Trap it, draw it coarser, or take a press that holds it.',
  },
  'register.left': {
    title: (a) => `${a['ink']}: no adjustment will do, ${said(a['leftMm'], 2)} mm stay`,
    says: (a) => `±${said(a['toleranceMm'], 2)} is asked. First: ${LABELS[`register.remedy.${a['remedy']}`] ?? a['remedy']}.`,
  },
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
    title: (a) => `${said(a['byMm'])} mm too large for the sheet`,
    says: (a) => `Not one copy with its bleed fits the usable part of ${a['stock']}. A larger sheet or a smaller piece.`,
  },
  'layout.notCuttable': {
    title: () => 'No straight cut takes this layout apart',
    says: (a) => `${a['machine']} cuts from edge to edge only. Keep the layout for a die, or take the one for straight cuts.`,
  },
  'sheet.overMachine': {
    title: (a) => `Sheet ${said(a['byMm'])} mm ${a['side']} for ${a['machine']}`,
    says: (a) => `${a['sheet']} mm does not run on ${a['machine']}.`,
  },
  'roll.overMachine': {
    title: (a) => `Roll ${a['what']} ${said(a['is'])} on ${a['machine']}`,
    says: (a) => `${a['machine']} takes ${said(a['takes'])} ${a['what'] === 'mass' ? 'kg' : 'mm'}. Another roll, or have it rewound.`,
  },
  'roll.lengthsDiffer': {
    title: (a) => `Roll says ${said(a['massM'], 0)} m by weight, ${said(a['sizeM'], 0)} by size`,
    says: (a) => `${said(a['percent'])} % apart: grammage, caliper, core or scale is wrong. Measure before the metres are counted on.`,
  },
  'repeat.broken': {
    title: (a) => `${said(a['repeatMm'])}/${said(a['lengthMm'])} = ${said(a['times'], 3)}`,
    says: () => 'The repeat is no whole number of sheets or teeth: print and cut part company, or web is wasted at every turn.',
  },
  'food.migration': {
    title: (a) =>
      a['what'] === 'adhesive'
        ? `${a['name']}: not for food`
        : `${a['name'] === '' ? 'Varnish or coating without a card' : a['name']}: not made to lie near food`,
    says: (a) =>
      a['what'] !== 'adhesive'
        ? 'The order touches food. Take a low-migration series; what is allowed is a matter of local law and of the customer.'
        : 'The order touches food and this adhesive is not made for it. Choose another laminate; local law and the customer decide.',
  },
  'film.surface': {
    title: (a) => `Film surface ${said(a['has'], 0)} mN/m, ink asks ${said(a['asks'], 0)}`,
    says: () => 'Ink may peel. Have the film treated, or print a primer first.',
  },
  'lay.changes': {
    title: () => 'Lay changes sides: mark the pile',
    says: (a) => `The second side is fed against the other side lay; ${a['machine']} must register to the first.`,
  },
  'press.washUp': {
    title: (a) => `${said(a['units'], 0)} units go from dark to light`,
    says: (a) => `Wash-up before pass ${said(a['pass'], 0)} takes longer. Another ink order, or a press with more units, saves it.`,
  },
  'stock.short': {
    title: (a) => `${said(a['short'], 0)} ${a['unit'] === 'metre' ? 'm of roll' : 'sheets'} short`,
    says: (a) => `Free stock of ${a['stock']} does not cover the plan. Ordered today it is here in ${said(a['days'], 0)} days.`,
  },
  'stock.customerShort': {
    title: (a) => `Customer sent ${said(a['sent'], 0)}, plan needs ${said(a['need'], 0)}`,
    says: () => 'Ask for more sheets or cut the quantity.',
  },
  'stock.lotCaliper': {
    title: (a) => `Lot is ${said(a['lotUm'], 0)} µm, card says ${said(a['cardUm'], 0)}`,
    says: (a) => `${said(a['percent'], 0)} % off: lifts, piles and folds change with it.`,
  },
  'bleed.small': {
    title: (a) => `Bleed ${said(a['bleedMm'])} mm`,
    says: (a) => `The cut wanders about 1 mm; ${said(a['least'])} mm keeps white edges away.`,
  },
  'gap.narrow': {
    title: (a) => `Gap ${said(a['gapMm'])} mm for ${said(a['bleedMm'])} mm bleed`,
    says: (a) => `Die-cut labels need the bleed of both between them, ${said(a['least'])} mm, or one shows its neighbour’s ink at the cut.`,
  },
  'text.nearEdge': {
    title: (a) => `Text ${said(a['distanceMm'])} mm from an edge`,
    says: (a) => `Cut and fold wander: keep ${said(a['least'])} mm, or part of it goes.`,
  },
  'tool.out': {
    title: (a) =>
      `Tool ${a['tool']} is ${a['state'] === 'unknown' ? 'not in the store' : a['state'] === 'customer' ? 'with the customer' : 'out'}`,
    says: () => 'Get it back or have a new one made before release.',
  },
  'plate.life': {
    title: (a) => `${said(a['remakes'], 0)} more plates in the run`,
    says: (a) => `A plate lasts about ${said(a['after'], 0)} impressions under this ink; the set is made again.`,
  },
  'ink.total': {
    title: (a) => `${said(a['total'])} % ink on a ${said(a['limit'])} % paper`,
    says: (a) =>
      `${a['from'] === 'read' ? 'So the separations say at their heaviest spot. ' : ''}It will set off and dry slowly. Rebuild the separations.`,
  },
  'ink.fill': {
    title: (a) => `${said(a['onPaperKg'], 2)} kg on paper, ${said(a['rollersKg'], 2)} kg in rollers`,
    says: (a) =>
      `${said(a['inks'], 0)} ${a['inks'] === 1 ? 'ink leaves' : 'inks leave'} more in duct and rollers than on the sheets: run jobs of these inks together.`,
  },
  'wait.unmet': {
    title: (a) => `${said(a['hours'])} h are too short to dry`,
    says: (a) => `The ink asks ${said(a['least'])} h at least before ${BEFORE[String(a['why'])] ?? 'it is cut'}: it marks.`,
  },
  'coat.onWax': {
    title: () => 'Lamp coat on waxed ink',
    says: (a) => `${a['series']} holds wax: the coat peels. Print with a series free of wax, or try it first.`,
  },
  'foil.onInk': {
    title: (a) => (a['why'] === 'wax' ? `Foil on waxed ink` : `Foil after ${said(a['hours'])} h`),
    says: (a) =>
      a['why'] === 'wax'
        ? `${a['series']} holds wax: foil will not take. Another ink series, or try it first.`
        : 'Foil will not take on ink younger than 24 h.',
  },
  'fold.noScore': {
    title: (a) => `${said(a['gsm'], 0)} g board folded without a score`,
    says: (a) =>
      a['why'] === 'across' ? 'Across the grain it cracks: score before folding.' : 'Coated board cracks: score before folding.',
  },
  'sections.tooHeavy': {
    title: (a) => `${said(a['gsm'], 0)} g/m² will not fold`,
    says: (a) => `${said(a['limit'], 0)} g/m² takes one fold, scored; this takes none.`,
  },
  'sections.acrossGrain': {
    title: () => 'Grain runs across the spine',
    says: () => 'Pages cockle, the book will not lie open. Turned pages or a sheet of the other grain would do.',
  },
  'fold.acrossGrain': {
    title: () => 'Grain runs across the fold',
    says: () => 'The card springs open and cracks sooner. Turned copies cost sheets; see what it takes.',
  },
  'fold.sizes': {
    title: (a) => `${said(a['panels'], 0)} panels of ${said(a['foldedMm'])} are not ${said(a['openMm'])} mm`,
    says: () => 'Open size, folds and folded width contradict each other.',
  },
  'outside.noDate': {
    title: (a) => `${a['supplier']} has given no date`,
    says: () => 'Without a date to come back nothing after it can be promised.',
  },
  'counts.cannotReach': {
    title: () => 'The count cannot be reached',
    says: () => 'This step loses as much as it makes, or the number is beyond any works.',
  },
  'floor.short': {
    title: (a) => `At this rate ${said(a['short'], 0)} short`,
    says: (a) =>
      `${said(a['low'], 0)} to ${said(a['high'], 0)} good pieces are likely at the end. ${Number(a['below']) > 0 ? `That is ${said(a['below'], 0)} below the least the customer takes.` : 'That is within what the customer takes.'}${a['part'] === undefined ? '' : ` ${a['part']}: enough for ${said(a['enough'], 0)}.`}`,
  },
  'measure.off': {
    title: (a) => `${a['of'] ? `${a['of']}: ` : ''}${a['what']} ${a['is']}`,
    says: (a) => `${a['allowed']} is allowed; measured by ${a['by']}. What comes after waits: measure again, or do the stage again.`,
  },
  'release.own': {
    title: (a) => `Released by who made it: ${a['who']}`,
    says: () => 'Nobody sees the own faults. A second person compares and releases it before the job is closed.',
  },
  'counts.off': {
    title: (a) => `Counts are off by ${said(a['by'], 0)}`,
    says: (a) =>
      `${said(a['by'], 0)} ${a['way']}${a['pile'] ? `, last seen on pile ${a['pile']}` : ''}. Count again, or have the difference witnessed.`,
  },
  'handover.unread': {
    title: (a) => `${said(a['notes'], 0)} handover ${a['notes'] === 1 ? 'note' : 'notes'} unread at ${a['machine']}`,
    says: () => 'The shift before left word. Read and sign it at the machine before the step starts.',
  },
  'press.noLamps': {
    title: (a) => `${a['machine']} has no lamps for ${a['series']}`,
    says: () => 'This series dries under a lamp only: on this press it would stay wet.',
  },
  'press.unitsShort': {
    title: (a) => `${said(a['inks'], 0)} inks on ${said(a['units'], 0)} units`,
    says: (a) => `${a['machine']} prints ${said(a['units'], 0)} in one pass. Fewer inks, or another press.`,
  },
  'press.repeatCannot': {
    title: (a) => `The press has no cylinder of ${said(a['repeatMm'])} mm`,
    says: (a) => `It turns ${said(a['leastMm'], 0)} to ${said(a['mostMm'], 0)} mm.`,
  },
  'outside.tooSoon': {
    title: (a) => `${a['supplier']} cannot be back by then`,
    says: (a) => `It takes ${said(a['days'], 0)} days from when the work leaves: the date agreed is ${said(a['late'], 0)} too early.`,
  },
  'die.strokesLeft': {
    title: (a) =>
      `${a['kind'] === 'cylinder' ? 'Cylinder' : 'Die'} ${a['tool']} has ${said(a['left'], 0)} ${a['kind'] === 'cylinder' ? 'turns' : 'strokes'} left`,
    says: (a) => `The run wants ${said(a['need'], 0)} with what setting up takes. Have it made again, or a second one ready.`,
  },
  'die.late': {
    title: (a) => `The die comes ${said(a['hours'], 0)} hours after the sheets for it are ready`,
    says: (a) => `${a['die']}: printed sheets stand and wait. Order it sooner, have it made here, or print later.`,
  },
  'die.newPays': {
    title: (a) =>
      `The die has ${said(a['placesNow'], 0)} places, the sheet room for ${said(a['placesNew'], 0)}: a new one pays from ${said(a['from'], 0)} pieces`,
    says: (a) =>
      `${said(a['ordered'], 0)} are ordered. A new die costs ${said(a['dieCost'], 2)}, a good sheet ${said(a['perSheet'], 3)} all in: die ÷ (sheet ÷ ${said(a['placesNow'], 0)} − sheet ÷ ${said(a['placesNew'], 0)}).`,
  },
  'versions.follow': {
    title: (a) => `${said(a['versions'], 0)} versions: ${said(a['plates'], 0)} plates, ${said(a['changes'], 0)} plate changes in the run`,
    says: () =>
      'Versions run one after another on the setting of the first; each is counted on its own, and the line is cleared before the next. Each change of plates costs time and sheets.',
  },
  'child.gone': {
    title: (a) => `${a['what']} was to come from a job that is not there`,
    says: () => 'Make the job again, or take it from the store or a supplier.',
  },
  'machine.retired': {
    title: (a) => `${a['machine']} is retired`,
    says: () => 'It was chosen for this job before; the works plans nothing new on it.',
  },
  'child.open': {
    title: (a) => `${a['what']}: job ${a['job']} makes them, and they are not in the store yet`,
    says: () => 'The step begins when that job is delivered.',
  },
  'child.late': {
    title: (a) => `${a['what']} comes too late: job ${a['job']} is ready after its time`,
    says: (a) => `This job is ready ${said(a['hours'], 1)} hours after its date because it waits for it.`,
  },
  'gang.refused': {
    title: (a) => `${a['part']} cannot share a sheet with the others: ${LABELS[String(a['why'])] ?? a['why']}`,
    says: () => 'The orders are planned each on sheets of their own until the gang is changed or taken back.',
  },
  'gang.noRoom': {
    title: () => 'Not one of each order fits the sheet',
    says: () => 'Each order lies in rows or columns of its own. Take a larger sheet, or fewer orders.',
  },
  'gang.copies': {
    title: () => 'The forms as they are set do not stand',
    says: () =>
      'More copies lie on one than it holds. One form is laid out by the quantities instead. Set fewer, or let the plan find them.',
  },
  'gang.runsOn': {
    title: (a) => `${a['order']}: ${said(a['missing'], 0)} blanks short on form ${a['form']}`,
    says: (a) => `${said(a['set'], 0)} good sheets were set; the plan runs ${said(a['sheets'], 0)}, so that the order has its blanks.`,
  },
  'gang.over': {
    title: (a) => `Too many over of ${a['orders']}`,
    says: (a) => `${said(a['blanks'], 0)} blanks more than was agreed. Other copies, another form, or ask whether they are taken.`,
  },
  'gang.empty': {
    title: (a) => `${said(a['empty'], 0)} of ${said(a['places'], 0)} places on form ${a['form']} are empty`,
    says: () => 'They are printed, cut and thrown away.',
  },
  'gang.kept': {
    title: (a) =>
      a['other'] === ''
        ? `${a['order']} lies on form ${a['form']}, and is held to another`
        : `${a['order']} and ${a['other']} are held apart, and share form ${a['form']}`,
    says: () => 'Move its copies, or lift what is held; a solved gang keeps to it.',
  },
  'gang.lookAlike': {
    title: (a) => `${a['order']} looks like ${a['other']} and shares its form`,
    says: () => 'Nothing at the gluer tells them apart. Give both a code that a reader looks at, or part them.',
  },
  'gang.starves': {
    title: (a) => `${a['ink']} on form ${a['form']}: ${a['hungry']} takes ${said(a['times'], 0)} times what ${a['light']} does in one lane`,
    says: () => 'The zones of that lane cannot be right for both. Lay their copies in lanes of their own.',
  },
  'parts.loose': {
    title: (a) => `${said(a['parts'], 0)} parts of the product are never joined`,
    says: () => 'Each would be delivered on its own. Put the step back that joins them.',
  },
  'layout.refused': {
    title: (a) => `The chosen layout is not taken: ${a['why']}`,
    says: () => 'The sheet is laid out anew instead. Choose another layout, or take the choice back.',
  },
  'risk.short': {
    title: (a) => `${said(a['inHundred'], 0)} in 100 such jobs fall short`,
    says: (a) => `${said(a['limit'])} in 100 are what the works is ready to risk. Lay a reserve, or decide to run this risk.`,
  },
  'overs.above': {
    title: (a) => `Aims ${said(a['percent'])} % over`,
    says: (a) => `The customer takes ${said(a['limit'])} % over. What is beyond goes to ${a['extra']}.`,
  },
  'log.thin': {
    title: () => 'Losses are from the handbook, not ours',
    says: (a) =>
      `${said(a['processes'], 0)} of ${said(a['of'], 0)} kinds of work have fewer than ${said(a['least'], 0)} like jobs in the log.`,
  },
  'delivery.sum': {
    title: (a) => `Deliveries add up to ${said(a['delivered'], 0)}`,
    says: (a) => `${said(a['ordered'], 0)} were ordered.`,
  },
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
  'style.cannot': {
    title: (a) => `Sheets cannot be worked “${LABELS[String(a['style'])] ?? String(a['style'])}” here`,
    says: (a) =>
      `They are worked “${LABELS[String(a['instead'])] ?? String(a['instead'])}”. The press cannot print so; or several parts share the form; or something strikes one side only, and where fronts and backs lie on one form half of it would strike backs.`,
  },
  'choice.unknown': { title: (a) => `“${a['what']}” is not there any more`, says: () => 'The plant’s default stands in for the choice.' },
};

/** What a remedy's button says. */
export const REMEDIES: Record<string, Sentence> = {
  ...ofAllKinds('remedies'),
  'remedy.runForm': (a) => `Run ${said(a['sheets'], 0)} good sheets`,
  'remedy.solveGang': () => 'Ask planning for other forms',
  'remedy.takeOver': () => 'The customers take them',
  'remedy.reader': () => 'Ask prepress for codes to read',
  'remedy.otherLane': () => 'Ask planning for other lanes',
  'remedy.oneInkOrTrap': () => 'Ask prepress to set it in one ink, or larger',
  'remedy.thickerLine': () => 'Ask prepress for a thicker line',
  'remedy.knockOut': () => 'Ask prepress to knock the coat out',
  'remedy.trapOrRedraw': () => 'Ask prepress to trap or redraw it',
  'remedy.drawDown': () => 'Ask the ink kitchen for a draw-down',
  'remedy.otherPigment': () => 'Ask the ink kitchen for another pigment or series',
  'remedy.remakePlates': () => 'Make the plates again at the tool store',
  'remedy.register': () => 'See what to do at the register desk',
  'remedy.searchLayout': () => 'Search again for this sheet',
  'remedy.measureCaliper': () => 'Ask the store to weigh the roll and measure its caliper',
  'remedy.rewindRoll': () => 'Ask the store to have the roll rewound',
  'remedy.defaultRepeat': () => 'Take the cylinder that wastes least',
  'remedy.inkSeries': (a) => `Print with ${a['series']}`,
  'remedy.treatFilm': () => 'Ask the store to have the film treated',
  'remedy.otherMachine': (a) => `Run it on ${a['machine']}`,
  'remedy.grade': (a) => `Take ${a['grade']}`,
  'remedy.otherStock': (a) => `Take ${a['stock']}`,
  'remedy.versionOrder': (a) => `Run ${a['order']}: ${said(a['changes'], 0)} plate changes`,
  'remedy.hurryChild': () => 'See the job it waits for',
  'remedy.noGang': () => 'Take the gang back',
  'remedy.copiesFound': () => 'Let the plan find the copies',
  'remedy.defaultLayout': () => 'Take the default layout',
  'remedy.askGate': () => 'Ask for the answer',
  'remedy.newVersion': () => 'Make a new version',
  'remedy.reviseEarly': () => 'Revise the early release with a reason',
  'remedy.orderStock': () => 'Ask the store to order',
  'remedy.askCustomer': () => 'Ask the customer',
  'remedy.gap': (a) => `Gap ${said(a['least'])} mm`,
  'remedy.bleed': (a) => `Bleed ${said(a['least'])} mm`,
  'remedy.moveText': () => 'Ask prepress to move it',
  'remedy.getTool': () => 'Ask the store to get it',
  'remedy.rebuildSeparations': () => 'Ask prepress to rebuild',
  'remedy.waitDay': () => 'Wait as the handbook asks',
  'remedy.waitLonger': () => 'Wait as the ink asks',
  'remedy.usualSeries': () => 'Take the usual series',
  'remedy.repeatFound': () => 'Take the repeat that fits best',
  'remedy.returnLater': (a) => `Agree on the day after ${a['by']}`,
  'remedy.stageAgain': () => 'Ask for the stage again',
  'remedy.secondPerson': () => 'Ask a second person to release it',
  'remedy.dieSooner': () => 'Ask the tool store for the die sooner',
  'remedy.newDie': () => 'Ask the tool store for a new die',
  'remedy.rechrome': () => 'Ask the tool store to have it chromed again',
  'remedy.layReserve': (a) => `Lay a reserve so that ${said(a['share'])} of 100 such jobs come out`,
  'remedy.score': () => 'Score before folding',
  'remedy.grainAlong': () => 'Grain along the fold',
  'remedy.askSupplier': () => 'Ask the supplier',
  'remedy.dropOverride': () => 'Back to the computed figure',
  'remedy.dropChoice': () => 'Drop the choice',
  'remedy.shortage': () => 'See what can be done, priced',
  'remedy.recount': () => 'Ask the floor to count again',
  'remedy.readHandover': () => 'Ask the machine to read and sign it',
  'remedy.foldedFromOpen': () => 'Folded width from the open one',
};
