import type { AlarmKind } from './alarms';

let audio: AudioContext | undefined;

/** A tune that is told from the others with the back turned: notes as seconds from its start, their pitch in Hz, and how long each sounds. */
type Tune = readonly (readonly [start: number, pitch: number, seconds: number])[];

const tunes: Record<AlarmKind, Tune> = {
  // Two notes up: go on.
  open: [
    [0, 660, 0.16],
    [0.22, 990, 0.22],
  ],
  // Four short high ones: hurry.
  closing: [
    [0, 1320, 0.09],
    [0.14, 1320, 0.09],
    [0.28, 1320, 0.09],
    [0.42, 1320, 0.09],
  ],
  // Two long ones down: too late.
  lost: [
    [0, 440, 0.35],
    [0.4, 290, 0.55],
  ],
};

/** Rings. Browsers stay silent until the page has been touched once; the line on the page does not. */
export function ring(kind: AlarmKind): void {
  audio ??= new AudioContext();
  if (audio.state !== 'running') {
    void audio.resume();
  }
  for (const [start, pitch, seconds] of tunes[kind]) {
    const note = audio.createOscillator();
    const loudness = audio.createGain();
    note.frequency.value = pitch;
    note.type = 'square';
    loudness.gain.value = 0.25;
    note.connect(loudness).connect(audio.destination);
    note.start(audio.currentTime + start);
    note.stop(audio.currentTime + start + seconds);
  }
}
