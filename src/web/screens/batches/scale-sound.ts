/** Sounds of the scale panel: a piece was noted; the hand is asked to do something. Hz and s. */
const SOUNDS = {
  noted: [[1200, 0.08]],
  asked: [
    [440, 0.14],
    [330, 0.22],
  ],
} as const;
/** Loudness, of 1. */
const GAIN = 0.08;

let context: AudioContext | undefined;

/** Plays a sound, one note after the other; a browser that may not, or has no sound, stays quiet. */
export function playSound(name: keyof typeof SOUNDS): void {
  try {
    context ??= new AudioContext();
    let at = context.currentTime;
    for (const [hertz, seconds] of SOUNDS[name]) {
      const note = new OscillatorNode(context, { frequency: hertz });
      note.connect(new GainNode(context, { gain: GAIN })).connect(context.destination);
      note.start(at);
      note.stop((at += seconds));
    }
  } catch {
    // The words on the panel say the same.
  }
}
