import { MADE_BY } from '../../contract/version.ts';
import { useSingleKeys } from '../data/single-keys.ts';
import { useTour } from '../tour/use-tour.ts';
import { Link } from 'react-router';
import Modal from 'react-bootstrap/Modal';

const KEYS: readonly (readonly [where: string, keys: readonly (readonly [key: string, does: string])[]])[] = [
  [
    'Everywhere',
    [
      ['1 2 3 4 5 6', 'Rack, Briefs, Side by side, Stores, Rules, Sayings'],
      ['7 8 9', 'Range, Batches, Trials'],
      ['U', 'Flip between ounces and grams; nothing stored changes'],
      ['?', 'This sheet'],
      ['F1', 'In a field with a ? beside it: what the word means'],
      ['Ctrl+Z', 'Undo: the last change, or what was just deleted or archived'],
      ['Esc', 'Close a sheet, or give a field back its old value'],
    ],
  ],
  [
    'Rack',
    [
      ['/', 'Search'],
      ['← → ↑ ↓', 'Walk along the heads'],
      ['Enter', 'Open the head on the Bench'],
      ['T', 'Put it in the tray, or take it out'],
      ['D', 'Make a copy'],
      ['A', 'Archive or unarchive it'],
      ['Delete', 'Delete it; Undo brings it back'],
      ['N', 'New head: pick a shape'],
    ],
  ],
  [
    'Bench',
    [
      ['Tab', 'To the next field or handle'],
      ['↑ ↓', 'In a field or on a handle: step; with Shift ten times as far'],
      ['H', 'Hold or release the weight'],
      ['Z', 'The head alone, or with its whole hook'],
      ['Ctrl+Z, Ctrl+Shift+Z', 'Undo, redo: every change, across reloads'],
      ['Y', 'History and named versions'],
      ['S', '3D view, or the plate'],
      ['X', 'Section through the head'],
      ['L', 'Ladder: the head in a series of weights'],
      ['W', 'The Tank: the head in the water'],
      ['R', 'Rig it with a plastic'],
      ['F', 'What it is for'],
      ['M', 'Its mould'],
      ['T', 'Put it in the tray, or take it out'],
    ],
  ],
  [
    'Solid',
    [
      ['← → ↑ ↓', 'Turn it'],
      ['+ −', 'Nearer, further'],
      ['Home', 'Reset view'],
    ],
  ],
  [
    'Tank',
    [
      ['← →', 'On a slider: step'],
      ['K', 'On the bottom: knock it, harder each time'],
    ],
  ],
  ['Batches', [['1 to 9', 'While weighing: which cavity comes next']]],
  [
    'Tray and Side by side',
    [
      ['Space', 'On a grip: lift; arrow keys move; Space again sets down'],
      ['Delete', 'On a grip: take out'],
    ],
  ],
];

/** Turns letters, digits and signs off as keys; those that move the focus or edit stay. */
function SingleKeys() {
  const [isOn, setOn] = useSingleKeys();
  return (
    <label className="help-switch">
      <input type="checkbox" checked={isOn} onChange={(event) => setOn(event.currentTarget.checked)} /> Single
      letters, digits and signs work as keys. Turn them off if you dictate.
    </label>
  );
}

/** Keys, kinds of figures and the usual cautions, on one sheet. */
export function HelpSheet({ show, onHide }: { readonly show: boolean; readonly onHide: () => void }) {
  const tour = useTour();
  return (
    <Modal show={show} onHide={onHide} size="lg" aria-labelledby="help-title" scrollable>
      <Modal.Header closeButton>
        <Modal.Title as="h2" id="help-title">
          Keys and what the figures mean
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        <p>
          <button
            type="button"
            className="btn btn-fern"
            onClick={() => {
              onHide();
              void tour();
            }}
          >
            Take the tour
          </button>{' '}
          Three minutes: make a head, try it in the water, ask where it fits.
        </p>
        <SingleKeys />
        <div className="help-keys">
          {KEYS.map(([where, keys]) => (
            <section key={where}>
              <h3>{where}</h3>
              <dl>
                {keys.map(([key, does]) => (
                  <div key={key}>
                    <dt>
                      <kbd>{key}</kbd>
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
              </dl>
            </section>
          ))}
        </div>
        <h3>Kinds of figures</h3>
        <p>
          <b>measured</b> was typed in or weighed. <b>geometry</b> follows from the shape. <b>model</b> is
          physics with stated assumptions and comes with a span. <b>index</b> compares only. <b>practice</b>{' '}
          is a rule of the trade. Open a reading to see how it was made.
        </p>
        <h3>Typing values</h3>
        <p>
          Fields take what you would say: <kbd>3/8</kbd>, <kbd>10.6 g</kbd>, <kbd>0.4"</kbd>, <kbd>5/0</kbd>,{' '}
          <kbd>15 lb</kbd>, <kbd>12 ft</kbd>. Drag a field’s name sideways to change it.
        </p>
        <h3>Care</h3>
        <p>
          Lead and lead dust poison; molten metal and water explode; hooks pierce. Lead tackle is banned or
          limited in many waters. Local rules and the makers’ instructions decide, and they change. Nothing
          here is legal or medical advice.
        </p>
        <p className="mb-0">
          This is {MADE_BY}.{' '}
          <Link to="/help" onClick={onHide}>
            Glossary, how we compute, changes
          </Link>
        </p>
      </Modal.Body>
    </Modal>
  );
}
