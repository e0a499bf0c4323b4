let audio: AudioContext | null = null;

/** A short tone, for eyes that are on the engine. Silent where the browser allows no sound yet. */
export function beep(hertz: number): void {
  audio ??= new AudioContext();
  const tone = audio.createOscillator();
  const volume = audio.createGain();
  tone.frequency.value = hertz;
  volume.gain.setValueAtTime(0.2, audio.currentTime);
  volume.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + 0.25);
  tone.connect(volume).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + 0.25);
}
