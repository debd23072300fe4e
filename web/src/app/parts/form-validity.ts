import { computed, Injectable, signal } from '@angular/core';

/** The fields of a page that hold an invalid value. Provided by a page whose result or action needs every field valid. */
@Injectable()
export class FormValidity {
  private readonly invalid = signal<ReadonlyMap<string, HTMLElement>>(new Map());
  readonly hasProblem = computed(() => this.invalid().size > 0);

  /** Called by a field when it becomes invalid or valid. @param element receives the focus if the field is invalid */
  report(id: string, element: HTMLElement, isInvalid: boolean): void {
    if (this.invalid().has(id) === isInvalid) return;
    this.invalid.update((before) => {
      const after = new Map(before);
      if (isInvalid) after.set(id, element);
      else after.delete(id);
      return after;
    });
  }

  /** Focuses the first invalid field in the order of the page. @returns false if all fields are valid */
  focusFirst(): boolean {
    const fields = [...this.invalid().values()].sort((a, b) =>
      a.compareDocumentPosition(b) & Node.DOCUMENT_POSITION_FOLLOWING ? -1 : 1,
    );
    fields[0]?.focus();
    return fields.length > 0;
  }
}
