/** The anchor of a term in the glossary: its words in small letters, joined by hyphens. */
export function anchorOf(term: string): string {
  return term
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '');
}
