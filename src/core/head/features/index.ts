import type { Values } from '../../kind/field.ts';
import { kindOf } from '../../kind/registry.ts';
import { channel } from './channel.ts';
import { cheeks } from './cheeks.ts';
import { fins } from './fins.ts';
import { flats } from './flats.ts';
import type { FeatureGround, FeatureKind, Shape } from './shape.ts';
import { slot } from './slot.ts';
import { sole } from './sole.ts';

const ALL = [sole, flats, channel, cheeks, fins, slot] as const;
type Every = (typeof ALL)[number];

/**
 * Every feature a head can be given, in the order they are worked: cuts of the body first, then what is
 * joined, then what must stay open. A new one is one file and one line here.
 */
export const FEATURES: readonly FeatureKind<Every['key']>[] = ALL;

/** The features of a head by key. */
export type FeatureSpec = { [K in Every as K['key']]?: Values<K['fields']> };

/** The shapes of a set of features on a body, in working order. */
export const featureShapes = (spec: FeatureSpec, ground: FeatureGround): Shape[] =>
  FEATURES.flatMap((kind) => {
    const given = spec[kind.key];
    return given ? [kindOf(FEATURES, kind.key, 'Feature').shape(given, ground)] : [];
  });
