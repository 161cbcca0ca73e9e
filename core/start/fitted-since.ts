import { completeMix, mixName } from '../case/gas-mix';
import type { Rig } from '../case/schema';
import { sizeInMm } from '../quantity/millimetres';

/** A fitted thing that is another than it was, and what that does to figures that were right then. */
export type FittedSince = { part: string; was: string; is: string; does: string; grave: boolean };

/** Shares of CO2 that are one gas, in points. */
const SAME_GAS = 2;

function ofGas(then: Rig, now: Rig): FittedSince[] {
  if (then.gas === undefined || now.gas === undefined) return [];
  const [was, is] = [then.gas, now.gas].map((gas) => (gas === null ? 'no gas' : mixName(gas)));
  const say = (does: string, grave: boolean): FittedSince[] => [{ part: 'Gas', was, is, does, grave }];
  if (then.gas === null || now.gas === null)
    return then.gas === now.gas ? [] : say('Another kind of arc: these figures do not carry over.', true);
  const [a, b] = [completeMix(then.gas), completeMix(now.gas)];
  const more = b.co2Pct - a.co2Pct;
  const other = Math.abs(b.heliumPct - a.heliumPct) + Math.abs(b.oxygenPct - a.oxygenPct);
  if (Math.abs(more) <= SAME_GAS && other <= SAME_GAS) return [];
  if (Math.abs(more) <= SAME_GAS)
    return say('Helium or oxygen shift the balance: run a trial bead, the volts first.', false);
  return more > 0
    ? say('More CO2 wants more volts for the same arc, digs deeper and spatters more: start a volt up.', more > 20)
    : say('Less CO2 wants fewer volts for the same arc and digs less: start a volt down.', more < -20);
}

function ofWire({ wire: then }: Rig, { wire: now }: Rig): FittedSince[] {
  if (then?.class === undefined || now?.class === undefined) return [];
  if (then.class !== now.class)
    return [
      {
        ...{ part: 'Wire', was: then.class.replace(/-/g, ' '), is: now.class.replace(/-/g, ' '), grave: true },
        does: 'Another kind of wire: these figures do not carry over.',
      },
    ];
  const [was, is] = [then.diameterMm, now.diameterMm];
  if (was === undefined || is === undefined || Math.abs(was - is) < 0.01) return [];
  const ratio = (is / was) ** 2;
  return [
    {
      ...{ part: 'Wire', was: sizeInMm(was), is: sizeInMm(is), grave: true },
      does: `At the same wire speed it lays ${is > was ? 'more' : 'less'} metal, ${ratio.toFixed(1)} times as much, with ${is > was ? 'more' : 'less'} current: begin anew from computed figures.`,
    },
  ];
}

function ofTip(then: Rig, now: Rig): FittedSince[] {
  const [was, is] = [then.parts?.tip, now.parts?.tip];
  const found: FittedSince[] = [];
  const wireMm = now.wire?.diameterMm;
  if (was?.sizeMm !== undefined && is?.sizeMm !== undefined && was.sizeMm !== is.sizeMm) {
    const loose = wireMm === undefined ? is.sizeMm > was.sizeMm : is.sizeMm > wireMm + 0.11;
    const tight = wireMm !== undefined && is.sizeMm < wireMm - 0.01;
    found.push({
      ...{ part: 'Contact tip', was: sizeInMm(was.sizeMm), is: sizeInMm(is.sizeMm), grave: tight },
      does: tight
        ? 'The wire does not go through it: fit a tip of the wire’s size.'
        : loose
          ? 'A loose tip: the current jumps about and the arc wanders. Fit one of the wire’s size before the figures are judged.'
          : 'A closer tip holds the current steadier: the arc may run a touch hotter.',
    });
  }
  if (was?.recessMm !== undefined && is?.recessMm !== undefined && was.recessMm !== is.recessMm) {
    const deeper = is.recessMm - was.recessMm;
    found.push({
      ...{ part: 'Tip in the nozzle', was: sizeInMm(was.recessMm), is: sizeInMm(is.recessMm), grave: false },
      does: `With the nozzle held as far off as before the wire sticks out ${Number(Math.abs(deeper).toFixed(1))} mm ${deeper > 0 ? 'more: less current' : 'less: more current'}.`,
    });
  }
  return found;
}

function ofNozzle(then: Rig, now: Rig): FittedSince[] {
  const [was, is] = [then.nozzleBoreMm, now.nozzleBoreMm];
  if (was === undefined || is === undefined || was === is) return [];
  return [
    {
      ...{ part: 'Nozzle', was: sizeInMm(was), is: sizeInMm(is), grave: false },
      does:
        is > was
          ? `A wider bore wants more gas, about ${Math.round((is / was - 1) * 100)} % more.`
          : `A narrower bore turns the same gas turbulent sooner: about ${Math.round((1 - is / was) * 100)} % less of it.`,
    },
  ];
}

function ofFeed(then: Rig, now: Rig): FittedSince[] {
  const found: FittedSince[] = [];
  const [liner, other] = [then.parts?.liner?.kind, now.parts?.liner?.kind];
  if (liner !== undefined && other !== undefined && liner !== other)
    found.push({
      ...{ part: 'Liner', was: liner, is: other, grave: false },
      does: 'Another drag on the wire: time a run-out, the wire speed may not be what the knob says.',
    });
  const [roll, next] = [then.parts?.roll, now.parts?.roll];
  const text = (one: typeof roll): string =>
    [one?.groove, one?.sizeMm === undefined ? undefined : sizeInMm(one.sizeMm)].filter(Boolean).join(' ');
  if (roll !== undefined && next !== undefined && text(roll) !== text(next))
    found.push({
      ...{ part: 'Drive roll', was: text(roll), is: text(next), grave: false },
      does: 'A roll that does not fit slips or shaves the wire: look at the feed before the figures.',
    });
  return found;
}

/**
 * Returns what is fitted now and was not when a setting was proved, with what each does to its figures; the gravest first. What was
 * not recorded, then or now, is not said.
 * @param then the rig as it was
 * @param now as it is
 */
export function fittedSince(then: Rig, now: Rig): FittedSince[] {
  const pole: FittedSince[] =
    then.polarity !== undefined && now.polarity !== undefined && then.polarity !== now.polarity
      ? [
          {
            ...{ part: 'Pole of the gun', was: then.polarity.slice(10), is: now.polarity.slice(10), grave: true },
            does: 'The arc burns on the wrong pole for these figures: shallow, wild, full of spatter.',
          },
        ]
      : [];
  const all = [...ofWire(then, now), ...pole, ...ofGas(then, now), ...ofTip(then, now), ...ofNozzle(then, now)];
  const found = [...all, ...ofFeed(then, now)];
  return [...found.filter(({ grave }) => grave), ...found.filter(({ grave }) => !grave)];
}
