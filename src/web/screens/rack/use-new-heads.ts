import { useNavigate } from 'react-router';
import { useImportHeads } from '../../data/import-heads.ts';
import { useCreate } from '../../data/queries.ts';
import { useUnits } from '../../data/units.ts';
import { useTour } from '../../tour/use-tour.ts';

/** The ways a head comes onto the Rack from the Rack: of a shape, as examples, with the tour. */
export function useNewHeads() {
  const create = useCreate('designs');
  const { mutate: addHeads } = useImportHeads();
  const navigate = useNavigate();
  const tour = useTour();
  const { system } = useUnits();
  // Loaded when one is wanted, since it knows every family.
  const heads = () => import('../../parts/new-head.ts');
  return {
    isBusy: create.isPending,
    /** Makes a head of a family and opens it on the Bench. */
    makeNew: async (key: string) => {
      const { newHead } = await heads();
      create.mutate(newHead(key, system), { onSuccess: (kept) => void navigate(`/designs/${kept.id}`) });
    },
    /** Adds heads to look at, as one step. */
    addExamples: async () => {
      const { exampleHeads } = await heads();
      addHeads(exampleHeads(system));
    },
    tour,
  };
}
