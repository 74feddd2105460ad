declare global {
  namespace App {
    interface PageState {
      /** The sheet that lies open over the page, by its title. */
      sheet?: string;
    }
  }
}

export {};
