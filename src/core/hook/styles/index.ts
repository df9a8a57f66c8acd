import { kindOf } from '../../kind/registry.ts';
import { longShank } from './long-shank.ts';
import { roundBend } from './round-bend.ts';
import { shortShank } from './short-shank.ts';
import { straightWorm } from './straight-worm.ts';
import type { HookStyle } from './style.ts';
import { wideGap } from './wide-gap.ts';

const ALL = [roundBend, wideGap, straightWorm, shortShank, longShank] as const;

/** Every hook style, in the order of menus; a new one is one file and one line here. */
export const STYLES: readonly HookStyle<StyleKey>[] = ALL;
/** The key of a hook’s style. */
export type StyleKey = (typeof ALL)[number]['key'];

/** What a document that names no style means. */
export const PLAIN_STYLE: StyleKey = 'round bend';

/**
 * The shape of a style; a round bend where a document names none. Throws for a key that is not one of
 * `STYLES`.
 */
export const styleShape = (key: string = PLAIN_STYLE): HookStyle => kindOf(STYLES, key, 'Hook style');
