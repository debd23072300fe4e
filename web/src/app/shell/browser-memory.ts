/** Small things that this browser keeps between visits. Where its storage is forbidden or full they are forgotten, and nothing else. */
export const browserMemory = {
  read(name: string): string | null {
    try {
      return localStorage.getItem(name);
    } catch {
      return null;
    }
  },

  write(name: string, text: string): void {
    try {
      localStorage.setItem(name, text);
    } catch {
      // A choice that cannot be kept is made again next time.
    }
  },
};
