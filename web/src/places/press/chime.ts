const NOTES = [523.25, 659.25, 783.99]; // Hz; a major triad, upwards
const APART = 0.22; // s
const LOUD = 0.12; // of full scale

/** A gentle sound at the end of a wait; silent where the browser does not let the page sound. */
export function chime(): void {
  try {
    const sound = new AudioContext();
    NOTES.forEach((pitch, index) => {
      const start = sound.currentTime + index * APART;
      const tone = sound.createOscillator();
      const volume = sound.createGain();
      tone.type = 'sine';
      tone.frequency.value = pitch;
      volume.gain.setValueAtTime(0, start);
      volume.gain.linearRampToValueAtTime(LOUD, start + 0.03);
      volume.gain.exponentialRampToValueAtTime(0.0005, start + 0.9);
      tone.connect(volume).connect(sound.destination);
      tone.start(start);
      tone.stop(start + 1);
    });
    setTimeout(() => void sound.close(), 2500);
  } catch {
    // no sound device: the count that stands at zero says the same
  }
}
