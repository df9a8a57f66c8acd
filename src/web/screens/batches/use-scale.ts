import { messageOf } from '../../../core/kind/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import { API } from '../../../contract/api.ts';
import type { Pan, PanDoubt } from '../../../core/make/index.ts';
import { EMPTY_PAN, followScale } from '../../../core/make/index.ts';

/** Where a scale's lines come from. */
export type ScaleSource = 'none' | 'simulated' | 'serial';
/** Whether the scale is read, and if not, why. */
export type ScaleState = 'off' | 'reading' | 'silent' | 'lost';

/** No line for so long, and the scale is told to be silent: unplugged, or off. ms */
const SILENT = 2_500;
/** A pan under this is empty, g. */
const EMPTY = 0.08;
/** A working day and more, s. */
const LONG = 86_400;
/** Everyday speed of small scales' serial lines, baud. */
const BAUD = 9600;

/** Whether this browser can read a scale on a serial cable. */
export const hasSerial = (): boolean => 'serial' in navigator;

/**
 * Reads a scale line by line, whichever it is: the simulated one that ships with the shop, or a real one over
 * Web Serial; the same reader follows both. `onPiece` is told of each piece once, when it lies still on a pan
 * that was empty before; `onDoubt` once whenever the hand must be asked.
 */
export function useScale(onPiece: (grams: number) => void, onDoubt: (doubt: PanDoubt) => void) {
  const [source, setSource] = useState<ScaleSource>('none');
  const [pan, setPan] = useState<Pan>(EMPTY_PAN);
  const [state, setState] = useState<ScaleState>('off');
  const [reason, setReason] = useState('');
  const told = useRef({ onPiece, onDoubt });
  useEffect(() => {
    told.current = { onPiece, onDoubt };
  }, [onPiece, onDoubt]);
  const stop = useRef<() => void>(() => undefined);

  const read = useCallback((stream: ReadableStream<Uint8Array>, from: ScaleSource, close: () => void) => {
    let now = EMPTY_PAN;
    let rest = '';
    let alive = true;
    const reader = stream.getReader();
    const decoder = new TextDecoder('latin1');
    let timer: ReturnType<typeof setTimeout> | undefined;
    const heard = () => {
      clearTimeout(timer);
      timer = setTimeout(() => alive && setState('silent'), SILENT);
    };
    heard();
    setSource(from);
    setState('reading');
    setReason('');
    const run = async () => {
      for (;;) {
        const { done, value } = await reader.read();
        if (done || !alive) break;
        rest += decoder.decode(value, { stream: true });
        const lines = rest.split(/\r\n|\r|\n/);
        rest = lines.pop() ?? '';
        for (const line of lines) {
          if (line.trim() === '') continue;
          heard();
          setState('reading');
          const step = followScale(now, line, EMPTY);
          const isNewDoubt = step.pan.doubt !== undefined && step.pan.doubt !== now.doubt;
          now = step.pan;
          setPan(now);
          if (step.piece !== undefined) told.current.onPiece(step.piece);
          if (isNewDoubt && now.doubt) told.current.onDoubt(now.doubt);
        }
      }
      if (alive) setState('lost');
    };
    run().catch((error: unknown) => {
      if (!alive) return;
      setState('lost');
      setReason(messageOf(error));
    });
    stop.current = () => {
      alive = false;
      clearTimeout(timer);
      reader.cancel().catch(() => undefined);
      close();
      setSource('none');
      setState('off');
      setPan(EMPTY_PAN);
    };
  }, []);

  const simulated = useCallback(async () => {
    stop.current();
    const away = new AbortController();
    try {
      const response = await fetch(`${API}/scale/lines?seconds=${LONG}`, { signal: away.signal });
      if (!response.ok || !response.body) throw new Error(`The scale answered ${response.status}.`);
      read(response.body, 'simulated', () => away.abort());
    } catch (error) {
      setState('lost');
      setReason(messageOf(error));
    }
  }, [read]);

  const serial = useCallback(async () => {
    stop.current();
    try {
      const port = await navigator.serial.requestPort();
      await port.open({ baudRate: BAUD });
      if (!port.readable) throw new Error('The port gives nothing to read.');
      read(port.readable, 'serial', () => void port.close().catch(() => undefined));
    } catch (error) {
      setState('lost');
      setReason(messageOf(error));
    }
  }, [read]);

  useEffect(() => () => stop.current(), []);
  return { source, pan, state, reason, simulated, serial, off: () => stop.current() };
}
