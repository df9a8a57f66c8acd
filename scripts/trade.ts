/**
 * What practitioners say, and where it stands in the match: a computed question, a window, a rule, a school,
 * or a remark.
 */
export const TRADE: readonly (readonly [said: string, where: string])[] = [
  [
    'Which shape for which bottom, cover and way of fishing',
    'rules `moves-*`, `cover-*`, `rest-*`, `cracks-*`; computed `pull.*`, `rest.*`',
  ],
  [
    'A pointed nose jams in rock; a football hangs and pops free',
    'computed question `cracks` (`pull.jams`, `pull.popFree`), rules `cracks-*`',
  ],
  [
    'A stand-up can only stand where there is a level; on a stepped wall the tread counts',
    'computed question `rest` with the slope, rules `rest-standup-*`',
  ],
  [
    'Floating plastic lifts; on a hinge it rises freely',
    'computed with the bait on, rules `rest-floats`, `rest-hinged-floats`',
  ],
  [
    'A football is the hinged head of first choice; other shapes on a hinge keep their own faults; not in slime',
    'rules `moves-crawl-football-hinged`, `moves-crawl-round-hinged`, `cover-brush-football-hinged`, `moves-slime-hinged`; a trait never lifts a shape’s own grade',
  ],
  [
    'Small heads rigged weedless in bushes and grass, to about 1/5 oz',
    'rules `cover-short-weedless`, `moves-small-short-cover`; the window',
  ],
  [
    'Pitched heavy for contact, light into holes; half an ounce through soft weed',
    'the window of question `hold`, by bait, way of fishing and line',
  ],
  ['A ball carries a 90° eye on clean bottom: two schools', 'school `ball eye`, rules `eye-soft-ball-*`'],
  ['Slim heads need not stand in cover', 'question `rest` is not asked there; rule `moves-slow-slim-cover`'],
  [
    'Lead where a slower fall under the rod is wanted; tungsten not where heads are lost',
    'rules `taken-slow-lead`, `cost-dear-snags`',
  ],
  [
    'For finicky fish small hook, small weight and fine wire; in winter a light hook on light line',
    'rules `hooks-fine-finicky`, `hooks-heavy-winter`; the window on light line',
  ],
  ['Tungsten heads with finer hooks allow 10 to 12 lb in clear water', 'rule `hooks-tungsten-clear`'],
  ['A belly weight casts further', 'rule `tackle-belly`'],
  [
    'A blunt face costs hook-ups, above all on light line',
    'computed question `hooks` (`head.height` and `head.breadth` over `hook.gap`)',
  ],
  [
    'Snagged: slack and a steeper pull; stop at every contact; the trough behind a ledge; a stepped wall; current works a resting bait; drift under pontoons',
    'remarks beside the answer',
  ],
  ['Stroking in warm water, creeping in cold; few but larger bites', 'a question back; remarks'],
  ['Weights exchanged on one hook', 'a remark'],
  [
    'Line, leader, rod and reel by use',
    '“Line and rod” at the Rig: computed, with the usual pairing beside it',
  ],
  [
    'Gliders: snapped, 90°, 9 to 12 g; also wound straight and slow; they drift off from a moving boat',
    'rules `moves-snap-glider`, `hold-glider`, `moves-crawl-glider`, `moves-moving-boat-glider`; the window; a question back',
  ],
  [
    'Darts for fish that ignore steadier baits; small weights',
    'rules `moves-twitch-dart`, `taken-seen-dart`; the window',
  ],
  ['A ball only rises and falls when twitched', 'rules `moves-twitch-ball`, `moves-snap-other`'],
  [
    'Tube inserts in tubes, cores in hollow bodies',
    'rules `moves-tube-*`, `moves-core-*`, `bait-tube-*`, `bait-core-*`',
  ],
  ['Hidden weights for wary fish', 'rules `taken-hidden-wary`, `moves-hidden-fall`; computed `taken` (fall)'],
  ['Shapes out of fashion where fish have seen the new', 'rule `taken-seen-usual`'],
  ['Eye at 90°, 60°, 30 to 60°, near 0°', 'rules `eye-*`; computed `pull.noseAhead` among the readings'],
  ['Plane of the eye: two schools', 'school `eye plane`, rules `eye-stone-*`, `eye-wood-*`'],
  ['A slightly recessed eye shields the knot', 'rule `hooks-recess`'],
  ['An open loop knot on tiny vertical heads', 'a remark; reading `hang.knot`'],
  [
    'The lightest head that still does the job; never hung up means too light',
    'computed question `hold` (`retrieve.leastWeight`); a remark',
  ],
  ['Weights by way of fishing, depth and bait', 'the window of question `hold`'],
  [
    'Swinging heads: 1/2 oz under 10 ft, 3/4 deeper, 1 oz in strong current in tungsten',
    'the window, raised by `retrieve.leastWeight`; rule `hold-tungsten-current`',
  ],
  ['A bump every 5 to 8 turns on smooth bottom', 'a remark'],
  ['Slow trolling: hundredths of a gram matter', 'the window; reading `retrieve.perGram`'],
  [
    'Panfish: too large in shallow clear water, then too thick a line; coils hide bites',
    'computed question `taken` (head height); questions back; reading `line.hiddenBite`',
  ],
  [
    'Tungsten smaller, lead slower and cheap to lose',
    'computed falls and costs; rules `taken-wary-tungsten`, `cost-*`',
  ],
  ['Two glued pieces: check the joint', 'rule `tackle-joint`'],
  ['Wind makes light heads hard to cast', 'computed question `tackle`, rule `tackle-wind`; a question back'],
  [
    'Light wire with light line; a medium 4/0 from 6 to 15 lb',
    'computed question `hooks` (`hook.penetration`), rules `hooks-*`',
  ],
  [
    'The point 1/4 in above the eye, of a small hook half its gap',
    'computed question `hooks` (`hook.biteAboveEye`, `rig.bite`)',
  ],
  ['Weedless rigging: screw or plain: two schools', 'school `weedless keeper`, rules `stays-*`'],
  ['Bare where cover allows; buried is as good as a guard', 'question `point`, rules `point-*`'],
  ['Opening the point: two schools', 'school `open point`, rules `point-some-bare-opened`, `lands-opened`'],
  ['Light tackle: lean, do not strike', 'a remark'],
  ['Too long a hook deadens a small bait', 'the fit and computed question `bait` (`hook.gap` over length)'],
  [
    'A heavy head on one hook is thrown: hinge, lighter, softer and longer rod',
    'computed question `lands`, rules `lands-*`',
  ],
  ['Compact baits for short strikers', 'rule `taken-short`; a question back'],
  ['Keepers, a cast barrel and soft plastic', 'rules `stays-*`, `stays-barrel-stretchy`; the fit'],
  [
    'Fibre guards trimmed or as bought: two schools; fanned or bundled by cover',
    'school `guard trim`, rules `point-dense-*`; the change “fan the guard”',
  ],
  ['Skirt and trailer', 'the fit of a trailer; asked for by `bait.skirt`'],
  ['Hook sizes by bait', 'the fit: exit along the body, free gap, gap over length; rules `bait-*`'],
  [
    'Cold water: stiff plastic, compact baits, pauses; little swimming below 50 °F',
    'rests grow by degrees with cold; questions back',
  ],
  ['Colour, rattle and sight', 'rules `taken-murk-*`, `taken-clear-*`, `taken-dark`'],
  [
    'Head colour: two schools',
    'school `head colour`: told, since a head’s colour is no field of its document',
  ],
  ['A bigger bait sorts bigger fish: two schools', 'school `fish size`, rules `taken-big-*`'],
  ['Ways of fishing, first fall, rod up, hop height', 'the ways of a brief; remarks'],
  ['Line and rod for each use; leaders', 'computed question `tackle`; questions back'],
  [
    '20 lb line lifts the bait in 15 to 20 ft',
    'computed question `hold`; a question back; the saying tested',
  ],
  ['Moderate or fast rods: two schools', 'school `rod action`, rules `lands-fast`, `lands-heavy-soft`'],
  ['Nylon or fluorocarbon leader: two schools', 'school `leader`, rule `lands-fluoro-shock`'],
  ['From a kayak eight feet of rod', 'rule `tackle-kayak`; a question back'],
  ['Flats show on a sounder', 'computed question `sounder`, rule `sounder-drop`'],
  ['Curing paint: two schools', 'school `cure`: told where heads are made, not a matter of the match'],
];
