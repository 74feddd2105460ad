/** Sentences shown for a while at the foot of the page. */
class Notices {
  list = $state<{ id: number; text: string; bad: boolean }[]>([]);
  private next = 1;

  say(text: string, bad = false) {
    const id = this.next++;
    this.list.push({ id, text, bad });
    setTimeout(() => this.drop(id), bad ? 9000 : 4500);
  }

  fail(error: unknown) {
    this.say(error instanceof Error ? error.message : 'Something went wrong. Try again.', true);
  }

  drop(id: number) {
    this.list = this.list.filter((n) => n.id !== id);
  }
}

export const notices = new Notices();
