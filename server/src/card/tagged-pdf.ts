import type { Content } from 'pdfmake/interfaces.js';
import { methodOf, partOf } from './pdfmake-parts.js';

/**
 * Tags in a PDF, so that a screen reader finds headings, tables and lists in it and reads them in the order of the page.
 *
 * pdfmake lays a document out and draws it by pdfkit, which knows tags; but pdfmake hands none on (0.3.11: its `tagged` gives a
 * file that calls itself tagged and is empty). Here each piece of content says what it is, and what is drawn of it is marked so;
 * rules and bullets are marked as decoration.
 */

/** What a piece of content is in the structure of a PDF (ISO 32000-1, 14.8.4). */
export type TagName = 'H1' | 'H2' | 'P' | 'Table' | 'TR' | 'TH' | 'TD' | 'L' | 'LI' | 'Figure';

/** A step of the way from the document down to a piece: the same object is the same element. */
export interface Tag {
  readonly name: TagName;
  /** What a picture shows. */
  readonly alt?: string;
}

const TAGS = Symbol('tags');

/** Content with the tags that it stands in, the outermost first. */
export const tagged = (content: Content, ...tags: readonly Tag[]): Content =>
  Object.assign(content as object, { [TAGS]: tags }) as Content;

/** Of pdfkit, what is used here. */
interface Structure {
  add(child: unknown): Structure;
  end(): void;
}
interface PdfKit {
  struct(name: string, options?: { alt?: string }): Structure;
  addStructure(structure: Structure): void;
  markStructureContent(name: string): unknown;
  markContent(name: string, options?: { type?: string }): void;
  endMarkedContent(): void;
}

/** Of pdfmake, what is changed here. */
interface Drawn {
  readonly [TAGS]?: readonly Tag[];
  drawnOf?: Drawn;
}
interface Renderer {
  readonly pdfDocument: PdfKit;
  tree?: Tree;
}
type Draw = (this: Renderer, item: Drawn, ...place: number[]) => void;

/** The structure of one document while it is drawn. */
class Tree {
  private readonly root: Structure;
  private readonly made = new Map<Tag, Structure>();

  constructor(private readonly pdf: PdfKit) {
    this.root = pdf.struct('Document');
    pdf.addStructure(this.root);
  }

  /** Draws a piece as content of its element. */
  mark(tags: readonly Tag[], draw: () => void): void {
    let element = this.root;
    for (const tag of tags) element = this.elementOf(tag, element);
    const content = this.pdf.markStructureContent(tags.at(-1)?.name ?? 'P');
    draw();
    this.pdf.endMarkedContent();
    element.add(content);
  }

  end(): void {
    for (const element of [...this.made.values()].reverse()) element.end();
    this.root.end();
  }

  private elementOf(tag: Tag, parent: Structure): Structure {
    const known = this.made.get(tag);
    if (known) return known;
    const element = this.pdf.struct(tag.name, tag.alt === undefined ? {} : { alt: tag.alt });
    parent.add(element);
    this.made.set(tag, element);
    return element;
  }
}

/** What an untagged piece of text is. */
const PARAGRAPH: readonly Tag[] = [{ name: 'P' }];

/** Has pdfmake hand on what its content is tagged with; once for the process. */
export function teachTags(): void {
  const layout = partOf('LayoutBuilder');
  const renderer = partOf('Renderer');

  const buildLine = methodOf<(this: unknown, node: Drawn) => Drawn | null>(layout, 'buildNextLine');
  layout['buildNextLine'] = function (this: unknown, node: Drawn): Drawn | null {
    const line = buildLine.call(this, node);
    if (line) line.drawnOf = node;
    return line;
  };

  const renderPages = methodOf<(this: Renderer, pages: unknown) => void>(renderer, 'renderPages');
  renderer['renderPages'] = function (this: Renderer, pages: unknown): void {
    this.tree = new Tree(this.pdfDocument);
    renderPages.call(this, pages);
    this.tree.end();
  };

  for (const name of ['renderLine', 'renderSVG'] as const) {
    const draw = methodOf<Draw>(renderer, name);
    renderer[name] = function (this: Renderer, item: Drawn, ...place: number[]): void {
      const of = item.drawnOf ?? item;
      // The number of a list stands in a line that is made of no content.
      const tags = name === 'renderLine' && !item.drawnOf ? undefined : (of[TAGS] ?? PARAGRAPH);
      if (tags) this.tree!.mark(tags, () => draw.call(this, item, ...place));
      else asDecoration(this, () => draw.call(this, item, ...place));
    };
  }

  const renderVector = methodOf<Draw>(renderer, 'renderVector');
  renderer['renderVector'] = function (this: Renderer, item: Drawn, ...place: number[]): void {
    asDecoration(this, () => renderVector.call(this, item, ...place));
  };
}

function asDecoration({ pdfDocument }: Renderer, draw: () => void): void {
  pdfDocument.markContent('Artifact', { type: 'Layout' });
  draw();
  pdfDocument.endMarkedContent();
}
