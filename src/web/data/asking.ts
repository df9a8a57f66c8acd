import { useMemo } from 'react';
import type { RulesInForce } from '../../contract/api.ts';
import type { Brief } from '../../core/document/index.ts';
import type { Metal } from '../../core/material/index.ts';
import type { Asking } from '../workers/match-rows.ts';
import { useList } from './queries.ts';

/**
 * A brief with what it is answered from: the rules in force, the shelf of plastics (or the one it names), the
 * metals.
 */
export function useAsking(
  brief: Brief | undefined,
  rules: RulesInForce | undefined,
  metals: readonly Metal[] | undefined,
): Asking | undefined {
  const plastics = useList('plastics').data;
  return useMemo(() => {
    if (!brief || !rules || !plastics) return undefined;
    const chosen = plastics.find(({ id }) => id === brief.bait.plastic);
    const shelf = (chosen ? [chosen] : plastics).map(({ document }) => document);
    return { brief, rules: rules.document, shelf, metals };
  }, [brief, rules, metals, plastics]);
}
