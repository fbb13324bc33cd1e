import * as fc from 'fast-check';
import { foldModel } from './fold-up';
import { measureDieLine } from './die-line';
import { pathArea } from './points';
import { facesOf } from './faces';
import { coatWindows, sleeveDieLine, sleeveGluing, sleeveSizes, stripLongMm, trayPlaces, traysInside } from './sleeve';
import { LININGS, SLEEVE_STYLES, type SleeveAsk } from './sleeve-ask';

/* What must hold of every disc sleeve, whatever its style, tray, lining and board. */

const sleeves: fc.Arbitrary<SleeveAsk> = fc
  .record({
    style: fc.constantFrom(...SLEEVE_STYLES),
    lining: fc.constantFrom(...LININGS),
    widthMm: fc.double({ min: 100, max: 200, noNaN: true }),
    heightMm: fc.double({ min: 100, max: 200, noNaN: true }),
    depthMm: fc.double({ min: 2, max: 15, noNaN: true }),
    caliperMm: fc.double({ min: 0.2, max: 0.8, noNaN: true }),
    bookletMm: fc.double({ min: 0, max: 1.5, noNaN: true }),
    trays: fc.subarray([1, 2, 3], { maxLength: 2 }),
  })
  .map((ask) => ({ ...ask, trays: ask.style === 'pocket' ? [] : ask.trays.filter((p) => ask.style === 'threePanels' || p < 3) }));
const lined = (ask: SleeveAsk): boolean => ask.lining !== 'none' && ask.style !== 'pocket';

it('is one blank: what its panels, spines, linings or flaps have of area is the area inside its outline', () => {
  fc.assert(
    fc.property(sleeves, (ask) => {
      const die = sleeveDieLine(ask);
      const { faces } = facesOf(die);
      const sum = faces.reduce((mm2, f) => mm2 + f.areaMm2, 0);
      expect(Math.abs(sum - pathArea(die.outline))).toBeLessThan(0.01);
      expect(faces.length).toBe(die.creases.length + 1);
    }),
  );
});

it('hangs together: every panel is reached from the first over a crease', () => {
  fc.assert(
    fc.property(sleeves, (ask) => {
      expect(foldModel(sleeveDieLine(ask))?.loose).toEqual([]);
    }),
  );
});

it('is as wide as its panels and spines, and as high as strip and lining', () => {
  fc.assert(
    fc.property(sleeves, (ask) => {
      if (ask.style === 'pocket') return;
      const [of, die] = [sleeveSizes(ask), measureDieLine(sleeveDieLine(ask))];
      const panels = of.panels.reduce((mm, p) => mm + p.widthMm, 0) + of.spinesMm.reduce((a, b) => a + b, 0);
      expect(die.widthMm).toBeCloseTo(panels, 6);
      expect(die.heightMm).toBeCloseTo(of.stripMm + of.liningMm, 6);
      expect(stripLongMm(of)).toBeCloseTo(panels, 6);
    }),
  );
});

it('grows thicker by what lies in it, never thinner', () => {
  fc.assert(
    fc.property(sleeves, fc.double({ min: 0.1, max: 5, noNaN: true }), (ask, more) => {
      const [thin, thick] = [ask, { ...ask, depthMm: ask.depthMm + more }].map((a) => sleeveSizes(a).closedMm[2]);
      expect(thick! - thin!).toBeCloseTo(more * ask.trays.length, 6);
    }),
  );
});

describe('trays', () => {
  it('lie in the middle of their panels, a millimetre at least from spine, foot and edges', () => {
    fc.assert(
      fc.property(sleeves, (ask) => {
        const { panels, closedMm } = sleeveSizes(ask);
        for (const t of traysInside(ask)) {
          const panel = panels[t.panel - 1]!;
          const beside = [t.xMm - panel.leftMm, panel.leftMm + panel.widthMm - t.xMm - t.widthMm];
          expect(beside[0]).toBeCloseTo(beside[1]!, 6);
          expect(Math.min(...beside)).toBeGreaterThanOrEqual(1 - 1e-9);
          expect(t.yMm).toBeGreaterThanOrEqual(1 - 1e-9);
          expect(t.yMm + t.heightMm).toBeLessThanOrEqual(closedMm[1] - 1 + 1e-9);
        }
      }),
    );
  });
  it('are seen on the printed side where a mirror has them; those on a lining hang from its foot', () => {
    fc.assert(
      fc.property(sleeves, (ask) => {
        const of = sleeveSizes(ask);
        const inside = traysInside(ask);
        trayPlaces(ask).forEach((t, i) => {
          expect(t.xMm + t.widthMm + inside[i]!.xMm).toBeCloseTo(stripLongMm(of), 6);
          expect(t.onPrint).toBe(lined(ask));
          if (lined(ask)) expect(of.liningMm - t.yMm - t.heightMm).toBeCloseTo(inside[i]!.yMm, 6);
          else expect(t.yMm).toBeCloseTo(inside[i]!.yMm, 6);
        });
      }),
    );
  });
  it('have a window free of coat on print alone, wholly beneath them', () => {
    fc.assert(
      fc.property(sleeves, (ask) => {
        const windows = coatWindows(ask);
        expect(windows).toHaveLength(lined(ask) ? ask.trays.length : 0);
        windows.forEach((w, i) => {
          const t = trayPlaces(ask)[i]!;
          expect(w.xMm).toBeGreaterThan(t.xMm);
          expect(w.xMm + w.widthMm).toBeLessThan(t.xMm + t.widthMm);
          expect([w.widthMm, w.heightMm]).toEqual([expect.closeTo(t.widthMm - 8, 6), expect.closeTo(t.heightMm - 8, 6)]);
        });
      }),
    );
  });
});

it('has glue on its linings alone, and none on a crease', () => {
  fc.assert(
    fc.property(sleeves, (ask) => {
      const gluing = sleeveGluing(ask);
      if (ask.style !== 'pocket' && !lined(ask)) return expect(gluing).toBeNull();
      const of = sleeveSizes(ask);
      for (const bead of gluing?.beads ?? []) {
        // Glue lies on a joint but for 5 mm at either end.
        expect(bead.jointMm).toBeGreaterThan(10);
        expect(bead.startMm + 5).toBeGreaterThan(0);
        expect(bead.startMm + bead.jointMm - 5).toBeLessThan(gluing!.runMm);
        if (ask.style !== 'pocket') expect(bead.fromGuideMm).toBeLessThan(of.liningMm);
      }
    }),
  );
});
