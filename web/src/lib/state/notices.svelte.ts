/** Something that a sentence offers, such as the way back. */
export interface Offer {
  name: string;
  act: () => void | Promise<void>;
}

interface Notice {
  id: number;
  text: string;
  bad: boolean;
  offer: Offer | undefined;
}

const shown = 4500; // ms
const badShown = 9000; // ms, also where there is something to tap

/** Sentences shown for a while at the foot of the page. */
class Notices {
  list = $state.raw<Notice[]>([]);
  private next = 1;

  say(text: string, bad = false, offer?: Offer) {
    const id = this.next++;
    this.list = [...this.list, { id, text, bad, offer }];
    setTimeout(() => this.drop(id), bad || offer ? badShown : shown);
  }

  fail(error: unknown) {
    this.say(error instanceof Error ? error.message : 'Something went wrong. Try again.', true);
  }

  /** Does what a sentence offered, and takes it off the page. */
  async take(n: Notice) {
    this.drop(n.id);
    try {
      await n.offer?.act();
    } catch (e) {
      this.fail(e);
    }
  }

  drop(id: number) {
    this.list = this.list.filter((n) => n.id !== id);
  }
}

export const notices = new Notices();
