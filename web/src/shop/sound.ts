let audio: AudioContext | undefined;

/** Two loud short notes. Browsers stay silent until the page has been touched once; the line on the page does not. */
export function beep(): void {
  audio ??= new AudioContext();
  if (audio.state !== 'running') {
    void audio.resume();
  }
  for (const [start, pitch] of [
    [0, 880],
    [0.22, 1180],
  ] as const) {
    const note = audio.createOscillator();
    const loudness = audio.createGain();
    note.frequency.value = pitch;
    note.type = 'square';
    loudness.gain.value = 0.25;
    note.connect(loudness).connect(audio.destination);
    note.start(audio.currentTime + start);
    note.stop(audio.currentTime + start + 0.16);
  }
}
