import type { Flag } from '../../behaviour/behaviour.ts';
import type { Readings } from '../../behaviour/registry.ts';
import type { Rig } from '../../assembly/rig.ts';
import type { Design } from '../../document/design.ts';
import type { Kind } from '../../kind/registry.ts';
import type { SheetOptions } from '../../plate/sheet.ts';

/** What a file is written from. */
export interface Written {
  /** the design with the sizes that meet its weight target */
  readonly design: Design;
  readonly rig: Rig;
  readonly readings: Readings;
  readonly flags: readonly Flag[];
  /** how a plate is laid out, and its units */
  readonly sheet: Omit<SheetOptions, 'scale'>;
  /** length factor of a mould that allows for shrinkage */
  readonly factor: number;
  /** how far a facet of a solid may lie from the surface it stands for, mm, before it is enlarged */
  readonly chord: number;
}

/**
 * A kind of file a design goes out as: one file each. The key is the file name’s ending. What writes it is
 * loaded when it is asked for.
 */
export interface ExportKind<K extends string = string> extends Kind {
  readonly key: K;
  /** what is in it, beside the name in a menu */
  readonly does: string;
  readonly mediaType: string;
  /** whether the file is enlarged for a mould where that is asked for */
  readonly isSolid?: boolean;
  /** whether readings stand in it: the slow ones are worked out for such alone */
  readonly hasReadings?: boolean;
  /** the document as it is, whether or not it can be built */
  asIs?(design: Design): string;
  write(written: Written): Promise<string | Uint8Array>;
}

/** Returns a kind of file as it is, its key kept as a type. */
export const exportKind = <const K extends string>(kind: ExportKind<K>): ExportKind<K> => kind;

/** Stations of outlines in files. */
export const FILE_STATIONS = 120;
