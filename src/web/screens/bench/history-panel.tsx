import { messageOf } from '../../../core/kind/index.ts';
import Offcanvas from 'react-bootstrap/Offcanvas';
import { useQueryClient } from '@tanstack/react-query';
import { keepVersion } from '../../data/api.ts';
import { momentText } from '../../data/dates.ts';
import { useUnits } from '../../data/units.ts';
import { NameForm } from '../../parts/name-form.tsx';
import { useNotices } from '../../parts/notices.tsx';
import type { HistoryHand } from './use-history.ts';
import { historyKey } from './use-history.ts';

/** When something was saved, and by whom, where people have accounts. */
const whenAndWho = ({ at, by }: { readonly at: string; readonly by?: string }): string =>
  [momentText(at), by].filter(Boolean).join(', ');

interface Props {
  readonly id: string;
  readonly show: boolean;
  readonly hand: HistoryHand;
  readonly flush: () => Promise<boolean>;
  /** what is compared with: `step:3` or `version:…`; empty for nothing */
  readonly against: string;
  readonly onAgainst: (what: string) => void;
  readonly onHide: () => void;
}

/** Everything that was done to a design, newest first, and the states of it that were given a name. */
export function HistoryPanel({ id, show, hand, flush, against, onAgainst, onHide }: Props) {
  const { say } = useUnits();
  const { tell } = useNotices();
  const client = useQueryClient();
  const { history } = hand;
  const refresh = () => client.invalidateQueries({ queryKey: historyKey(id) });
  const keep = async (name: string) => {
    try {
      await flush();
      await keepVersion(id, name);
      await refresh();
    } catch (error) {
      tell({ tone: 'bad', text: messageOf(error) });
    }
  };
  const compare = (what: string) => (
    <button
      type="button"
      className="btn btn-sm btn-quiet"
      aria-pressed={against === what}
      onClick={() => onAgainst(against === what ? '' : what)}
    >
      {against === what ? 'compared' : 'compare'}
    </button>
  );
  return (
    <Offcanvas
      show={show}
      onHide={onHide}
      placement="end"
      aria-labelledby="history-title"
      backdrop={false}
      scroll
      className="history"
    >
      <Offcanvas.Header closeButton>
        <Offcanvas.Title as="h2" id="history-title">
          History
        </Offcanvas.Title>
      </Offcanvas.Header>
      <Offcanvas.Body>
        <section>
          <h3>Named versions</h3>
          <NameForm
            label="Name of this version"
            placeholder="Name this version"
            most={120}
            onKeep={(name) => void keep(name)}
          />
          {history?.versions.length === 0 && (
            <p className="history-none">None yet. Name a state before you try something bold.</p>
          )}
          <ul>
            {history?.versions.map((version) => (
              <li key={version.id}>
                <span>
                  <b>{version.name}</b> <small>{whenAndWho(version)}</small>
                </span>
                <span className="history-acts">
                  {compare(`version:${version.id}`)}
                  <button
                    type="button"
                    className="btn btn-sm btn-quiet"
                    onClick={() => void hand.bringBack(version.id, version.name)}
                  >
                    Restore
                  </button>
                  <button
                    type="button"
                    className="btn btn-sm btn-quiet"
                    aria-label={`Delete the version ${version.name}`}
                    onClick={() => void hand.drop(version.id)}
                  >
                    ×
                  </button>
                </span>
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h3>Steps</h3>
          <ol className="history-steps">
            {[...(history?.steps ?? [])].reverse().map((step) => (
              <li
                key={step.step}
                data-now={step.step === history?.now}
                data-undone={step.step > (history?.now ?? 0)}
              >
                <span>
                  {say(step.words)} <small>{whenAndWho(step)}</small>
                </span>
                {step.step === history?.now ? (
                  <b className="history-here">now</b>
                ) : (
                  <span className="history-acts">
                    {compare(`step:${step.step}`)}
                    <button
                      type="button"
                      className="btn btn-sm btn-quiet"
                      onClick={() => void hand.go(step.step)}
                    >
                      go there
                    </button>
                  </span>
                )}
              </li>
            ))}
          </ol>
        </section>
      </Offcanvas.Body>
    </Offcanvas>
  );
}
