/** The gym's horn, made on the spot: two low notes (pitch and length: assumptions). */
export function horn() {
  const notes = [196, 247]; // Hz
  const seconds = 1.1;
  const audio = new AudioContext();
  const loud = audio.createGain();
  loud.gain.setValueAtTime(0.25, audio.currentTime);
  loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + seconds);
  loud.connect(audio.destination);
  for (const pitch of notes) {
    const note = audio.createOscillator();
    note.type = 'square';
    note.frequency.value = pitch;
    note.connect(loud);
    note.start();
    note.stop(audio.currentTime + seconds);
  }
  setTimeout(() => audio.close(), 2000 * seconds);
}
