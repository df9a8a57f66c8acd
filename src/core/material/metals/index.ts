import { bismuth } from './bismuth.ts';
import { bismuthTin } from './bismuth-tin.ts';
import { lead } from './lead.ts';
import { leadAntimony } from './lead-antimony.ts';
import { tin } from './tin.ts';
import { tungsten } from './tungsten.ts';
import { zinc } from './zinc.ts';
import type { Metal } from './metal.ts';

/**
 * Metals of the reference stores, in the order of menus; a new one is one file and one line here. Elements
 * after the CRC Handbook of Chemistry and Physics (values from memory); alloys as their usual data sheets
 * give them (from memory). Every density can be replaced in a design, and every metal's in the stores.
 */
export const METALS: readonly Metal[] = [lead, leadAntimony, bismuthTin, bismuth, tin, zinc, tungsten];

/**
 * Whether there is lead in a metal, by its key: of one that the reference stores do not know nothing is said.
 */
export const isLead = (metal: string): boolean => METALS.find(({ key }) => key === metal)?.isLead === true;
