import { messageOf } from '../../core/kind/index.ts';
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useEffectEvent,
  useMemo,
  useRef,
  useState,
} from 'react';
import type { ReactNode } from 'react';
import Toast from 'react-bootstrap/Toast';
import ToastContainer from 'react-bootstrap/ToastContainer';
import { isTyping, isUndo } from './presses.ts';

/** A notice at the foot of the screen. */
export interface Notice {
  readonly tone: 'plain' | 'good' | 'bad';
  readonly text: string;
  readonly action?: { readonly label: string; readonly run: () => void | Promise<void> };
}

interface Shown extends Notice {
  readonly id: number;
}

const Context = createContext<{ tell: (notice: Notice) => void }>({ tell: () => undefined });

/** Way to tell the person something in passing, with at most one thing to do about it. */
export function useNotices() {
  return useContext(Context);
}

/** What an action that takes something back is called. */
const UNDO = 'Undo';

/** Time a notice stays, ms: long enough to read and to reach Undo by keyboard. */
const STAY = 12_000;

/** Shows notices over everything within it. */
export function NoticeProvider({ children }: { readonly children: ReactNode }) {
  const [shown, setShown] = useState<Shown[]>([]);
  const count = useRef(0);
  const lastUndo = shown.findLast(({ action }) => action?.label === UNDO)?.id;
  const tell = useCallback((notice: Notice) => {
    const id = ++count.current;
    setShown((now) => [...now.slice(-2), { ...notice, id }]);
  }, []);
  const drop = useCallback((id: number) => setShown((now) => now.filter((notice) => notice.id !== id)), []);
  return (
    <Context.Provider value={useMemo(() => ({ tell }), [tell])}>
      {children}
      <ToastContainer className="notices" role="status" aria-live="polite">
        {shown.map((notice) => (
          <NoticeCard
            key={notice.id}
            notice={notice}
            isLastUndo={lastUndo === notice.id}
            onDone={() => drop(notice.id)}
          />
        ))}
      </ToastContainer>
    </Context.Provider>
  );
}

function NoticeCard({
  notice,
  isLastUndo,
  onDone,
}: {
  readonly notice: Shown;
  /** whether the key for undo is its to take, where the screen does not */
  readonly isLastUndo: boolean;
  readonly onDone: () => void;
}) {
  const [failed, setFailed] = useState('');
  const isBegun = useRef(false);
  const act = async () => {
    // Once: a key and a press may both ask.
    if (isBegun.current) return;
    isBegun.current = true;
    try {
      await notice.action?.run();
      onDone();
    } catch (error) {
      isBegun.current = false;
      setFailed(messageOf(error));
    }
  };
  const undo = useEffectEvent(() => void act());
  useEffect(() => {
    if (!isLastUndo) return undefined;
    const press = (event: KeyboardEvent) => {
      if (!isUndo(event) || event.shiftKey || isTyping(event.target)) return;
      // A screen with an undo of its own comes first, whichever listened earlier.
      setTimeout(() => {
        if (!event.defaultPrevented) undo();
      });
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [isLastUndo]);
  return (
    <Toast className={`notice notice-${notice.tone}`} onClose={onDone} autohide delay={STAY} role="none">
      <span>{failed || notice.text}</span>
      {notice.action && (
        <button type="button" className="btn btn-sm btn-brass" onClick={() => void act()}>
          {notice.action.label}
        </button>
      )}
      <button type="button" className="btn btn-sm btn-quiet" aria-label="Close notice" onClick={onDone}>
        ×
      </button>
    </Toast>
  );
}
