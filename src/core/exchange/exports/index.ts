import { threeMf } from './3mf.ts';
import { csv } from './csv.ts';
import { dxf } from './dxf.ts';
import { json } from './json.ts';
import { pdf } from './pdf.ts';
import { stl } from './stl.ts';
import { svg } from './svg.ts';
import type { ExportKind } from './kind.ts';

const ALL = [pdf, stl, threeMf, svg, dxf, csv, json] as const;

/**
 * Every kind of file a design goes out as, in the order of menus; a new one is one file and one line here.
 */
export const EXPORTS: readonly ExportKind<ExportType>[] = ALL;
/** The key of a kind of file. */
export type ExportType = (typeof ALL)[number]['key'];

/** The kind of an ending, or undefined: it comes from an address or a command line. */
export const exportOf = (key: string): ExportKind | undefined => EXPORTS.find((kind) => kind.key === key);
