'use client';

const SOUND = 'kvell-ring-sound';
const NOTICE = 'kvell-ring-notice';

export const ringSettings = {
  sound: () => localStorage.getItem(SOUND) !== 'off',
  notice: () => localStorage.getItem(NOTICE) === 'on',
  setSound: (on: boolean) => localStorage.setItem(SOUND, on ? 'on' : 'off'),
  setNotice: (on: boolean) => localStorage.setItem(NOTICE, on ? 'on' : 'off'),
};

/** Two soft tones, made here so that no file is needed. */
function tone(): void {
  const audio = new AudioContext();
  for (const [i, pitch] of [660, 880].entries()) {
    const source = audio.createOscillator();
    const volume = audio.createGain();
    const at = audio.currentTime + 0.35 * i;
    source.frequency.value = pitch;
    volume.gain.setValueAtTime(0.0001, at);
    volume.gain.exponentialRampToValueAtTime(0.25, at + 0.03);
    volume.gain.exponentialRampToValueAtTime(0.0001, at + 0.33);
    source.connect(volume).connect(audio.destination);
    source.start(at);
    source.stop(at + 0.35);
  }
}

/** Rings: sound and notice, each only if wanted. */
export function ring(title: string, words: string): void {
  if (ringSettings.sound()) tone();
  if (ringSettings.notice() && 'Notification' in window && Notification.permission === 'granted')
    new Notification(title, { body: words, tag: title });
}
