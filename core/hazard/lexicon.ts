import type { Coat, Concern } from '../case/terms';

/** What a word in the title of a job warns of: something that can be so of the job, or a coat that is on it. */
export type Hazard = { concern: Concern } | { coat: Coat };

/** Words of one kind. Each is the singular; a plural, a hyphen and a closed or open compound are read as well. */
export type HazardWords = { hazard: Hazard; of: string; words: string };

/** Words that hold another one and mean nothing of it: a coat hook lifts nobody. They are taken out before the rest is read. */
export const HARMLESS_COMPOUNDS = [
  'coat hook, hat hook, key hook, picture hook, curtain hook, cup hook, exhaust hanger, coat hanger, plant hanger, sign hanger',
  'hand bucket, sack truck, hand truck, harrow tine, rake tine, fork handle, garden fork, kitchen cylinder, lock cylinder',
  'cheese press, flower press, tie plate, number plate, license plate, mud guard, wheel barrow, wheel arch, steering wheel cover',
  'mower deck, bed plate, bike rack, bicycle rack, seat cover, seat cover plate, flower bed, test lug, cable lug, tool ring, towel ring, nose ring, fish tank, think tank, hay rack, pipe rack, pipe clip',
  'pipe stand, paint rack, paint tin shelf, table leg, hook latch, drain pipe, down pipe, tail pipe, stove pipe, exhaust pipe, pipe cap',
  'step stool drawer, doorstep, lamp post lamp, saw horse, spade tread, tread plate, bench vice, jack plug, jack socket, apple jack',
]
  .join(', ')
  .split(', ');

const CODE_WORK: Hazard = { concern: 'code-work' };

/**
 * What a weld that breaks can hurt somebody by, and what burns, bursts or poisons as it is welded. British and American words.
 * Source: the stop conditions of the trade (pressure, lifting, structure, vehicle safety, closed and once-filled containers,
 * coats, confined spaces); the words are those that jobs of each kind are called by. Held by the titles in testing/.
 */
export const HAZARD_WORDS: readonly HazardWords[] = [
  {
    hazard: CODE_WORK,
    of: 'lifts or hangs a load',
    words:
      'lift, lifting, lifter, hoist, hoisting, lug, pad eye, eye bolt, eye plate, eye nut, sling, shackle, hook, crane, winch, gantry, davit, derrick, ' +
      'jib, gin wheel, chain block, chain fall, block and tackle, snatch block, spreader beam, spreader, sheave, pulley block, tackle, jack, ' +
      'jacking, jack stand, axle stand, engine stand, car ramp, vehicle ramp, fork lift, fork carriage, pallet fork, fork tine, tine, tele handler, ' +
      'man lift, cherry picker, man basket, boom, outrigger, stabiliser leg, stabilizer leg, quick hitch, bucket ear, excavator, digger, backhoe, ' +
      'counter weight, counter balance, hanger, hanging, suspended, swing, chain sling, load cell, load bearing, safe working load, swl, wll, rigging, trapeze',
  },
  {
    hazard: CODE_WORK,
    of: 'carries people, or keeps them from falling',
    words:
      'ladder, rung, stair, stairs, staircase, stairway, stringer, step, tread, stile, scaffold, scaffolding, staging, walk way, cat walk, gang way, gang plank, ' +
      'platform, balcony, balustrade, baluster, spindle, hand rail, guard rail, railing, safety rail, bannister, banister, parapet, fire escape, grab rail, grab bar, grab handle, ' +
      'hand hold, foot hold, wheel chair, seat, seat belt, harness, anchor point, life line, fall arrest, lanyard, stanchion, bosuns chair, chair, stool, bunk, ' +
      'cot, bed frame, play ground, climbing frame, monkey bar, see saw, slide, gym, pull up bar, squat rack, bench press, stage, grand stand, bleacher, tree house, ' +
      'zip line, hammock, seat post, deck, roll cage, roll bar, roll hoop, rops, fops, safety cage, crash bar, bull bar, cab guard, motor home, lift cage, elevator, basketball hoop, goal post, goalpost',
  },
  {
    hazard: CODE_WORK,
    of: 'holds a building or a mast up',
    words:
      'beam, girder, column, lintel, joist, purlin, rafter, truss, rsj, bridge, bridge bearing, mezzanine, stanchion base, portal frame, steel work, structural, structure, ' +
      'prop, acrow, shoring, mast, tower, pylon, flag pole, flagpole, antenna, aerial, sign post, street sign, lamp post, lamp column, canopy, carport, marquee, tent pole, roof, ceiling, ' +
      'retaining wall, base plate, i beam, h beam',
  },
  {
    hazard: CODE_WORK,
    of: 'steers, brakes, tows or carries on the road',
    words:
      'brake, braking, hand brake, park brake, pedal, steering, track rod, tie rod, drag link, ball joint, control arm, wish bone, trailing arm, swing arm, suspension, ' +
      'spring hanger, leaf spring, shock mount, strut tower, strut mount, sub frame, chassis, frame rail, axle, hub, wheel, rim, draw bar, tow, tow bar, towing, hitch, ' +
      'ball hitch, fifth wheel, king pin, kingpin, pintle, trailer, coupling, coupler, sill, rocker panel, floor pan, cross member, motor bike, motor cycle, bicycle, bike, moped, ' +
      'scooter, kart, buggy, quad bike, handlebar, foot peg, prop shaft, drive shaft, propeller, rudder, tiller, landing gear, aircraft, helicopter, body mount, ' +
      'truck, lorry, van, car, bus, tractor, caravan, camper, pick up, rv,  mooring, bollard, cleat, bitt, fly wheel, grinding wheel, three point linkage, top link, lower link',
  },
  {
    hazard: CODE_WORK,
    of: 'holds pressure',
    words:
      'pressure, pressurised, pressurized, vessel, boiler, receiver, compressor tank, accumulator, autoclave, pipe, pipe line, pipe work, piping, steam, hydraulic, ram, cylinder, ' +
      'manifold, water main, gas main, gas line, air line, gas bottle, propane, lpg, lng, calorifier, heat exchanger, penstock, hydrant, sprinkler, fire extinguisher,  lock gate, flood gate',
  },
  {
    hazard: { concern: 'closed-container' },
    of: 'may hold, or once held, what explodes',
    words:
      'tank, tanker, drum, barrel, cask, keg, cylinder, vessel, boiler, silo, bowser, cistern, canister, container, jerry can, petrol can, gas can, gas bottle, fuel, petrol, ' +
      'gasoline, diesel, kerosene, paraffin, filler neck, propane, lpg, air receiver, receiver, ibc, slurry tanker, septic',
  },
  {
    hazard: { concern: 'hydraulic-line' },
    of: 'stands beside a line under pressure',
    words: 'hydraulic, ram, excavator, digger, backhoe, loader, brake line, fuel line',
  },
  {
    hazard: { concern: 'vehicle-near' },
    of: 'stands beside a fuel tank, a battery or an airbag',
    words: 'car, van, lorry, truck, bus, chassis, sill, floor pan, rocker panel, motor home, tractor',
  },
  {
    hazard: { concern: 'confined-space' },
    of: 'is done in a narrow space',
    words:
      'pit, manhole, man hole, sump, bilge, culvert, tunnel, sewer, cargo hold, crawl space, lift shaft, vault, inside tank',
  },
  {
    hazard: { concern: 'fire-nearby' },
    of: 'stands beside what burns',
    words: 'barn, thatch, straw, hay loft, hay barn, saw dust, sawdust, grain store, insulation, spray foam',
  },
  {
    hazard: { concern: 'old-paint' },
    of: 'may carry lead paint',
    words: 'old paint, painted, lead paint, red lead, lead primer, red oxide',
  },
  {
    hazard: { concern: 'cadmium-or-lead' },
    of: 'may be coated with cadmium or lead',
    words: 'cadmium, cad plated, terne',
  },
  {
    hazard: { coat: 'zinc' },
    of: 'is galvanised',
    words:
      'galvanised, galvanized, galvanise, galvanize, galv, galvy, zinc, sherardised, sherardized, galvanneal, galvannealed',
  },
];
