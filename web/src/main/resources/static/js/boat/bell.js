// Rings on the phone: sound, vibration, and a notification where it is allowed, each kind unless it is silenced.
const SILENCED = 'lochan-silenced';
const TONES = [880, 660, 880];
const TONE_SECONDS = 0.25;
const VIBRATION = [400, 150, 400, 150, 400];

export class Bell {
  get silenced() {
    return JSON.parse(localStorage.getItem(SILENCED) ?? '[]');
  }

  rings(kind) {
    return !this.silenced.includes(kind);
  }

  toggle(kind) {
    const { silenced } = this;
    const others = silenced.filter((one) => one !== kind);
    localStorage.setItem(SILENCED, JSON.stringify(others.length < silenced.length ? others : [...silenced, kind]));
  }

  /** Sound needs a tap before: browsers let no page ring that nobody has touched. */
  wake() {
    this.audio ??= new AudioContext();
    if (this.audio.state === 'suspended') this.audio.resume();
  }

  async allow() {
    if ('Notification' in window && Notification.permission === 'default') await Notification.requestPermission();
  }

  ring(alarm) {
    navigator.vibrate?.(VIBRATION);
    this.sound();
    this.notify(alarm).catch(() => {});
  }

  sound() {
    if (this.audio?.state !== 'running') return;
    TONES.forEach((hertz, i) => {
      const tone = this.audio.createOscillator();
      const begin = this.audio.currentTime + i * TONE_SECONDS;
      tone.frequency.value = hertz;
      tone.connect(this.audio.destination);
      tone.start(begin);
      tone.stop(begin + 0.8 * TONE_SECONDS);
    });
  }

  async notify({ id, words }) {
    if (!('Notification' in window) || Notification.permission !== 'granted') return;
    const worker = await navigator.serviceWorker?.ready;
    await worker?.showNotification(words, { tag: id, icon: '/assets/cairn.svg' });
  }
}
