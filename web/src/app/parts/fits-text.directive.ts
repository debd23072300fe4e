import { afterRenderEffect, Directive, ElementRef, inject, input, signal } from '@angular/core';

/** Room for the caret. */
const CARET_PX = 3;

/**
 * A field as wide as its text, in browsers that do not know `field-sizing: content`. In those that do, the style sheet is enough
 * and nothing is measured.
 */
@Directive({ selector: '[ksFitsText]' })
export class FitsTextDirective {
  /** What stands in the field, or in a choice the words that are chosen. */
  readonly ksFitsText = input.required<string>();
  private readonly element = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  constructor() {
    if (CSS.supports('field-sizing', 'content')) return;
    const widen = (text: string) => {
      const style = getComputedStyle(this.element);
      const around = ['paddingLeft', 'paddingRight', 'borderLeftWidth', 'borderRightWidth'] as const;
      const px = around.reduce((sum, side) => sum + parseFloat(style[side]), widthOf(text || '–', style));
      this.element.style.width = `${Math.ceil(px) + CARET_PX}px`;
    };
    const haveFonts = signal(false);
    // The fonts come after the first picture.
    void document.fonts.ready.then(() => haveFonts.set(true));
    afterRenderEffect(() => {
      haveFonts();
      widen(this.ksFitsText());
    });
  }
}

const canvas = document.createElement('canvas').getContext('2d');

function widthOf(text: string, { fontWeight, fontSize, fontFamily }: CSSStyleDeclaration): number {
  if (!canvas) return 0;
  canvas.font = `${fontWeight} ${fontSize} ${fontFamily}`;
  return canvas.measureText(text).width;
}
