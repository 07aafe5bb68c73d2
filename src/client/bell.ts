let context: AudioContext | null = null;

/** A short tone; nothing where the page may not sound. @example bell(880, 0.12) */
export function bell(hz: number, seconds: number): void {
  try {
    context ??= new AudioContext();
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(0.2, context.currentTime);
    gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + seconds);
    tone.connect(gain).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + seconds);
  } catch {
    context = null;
  }
}
