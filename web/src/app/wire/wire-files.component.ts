import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { billCsv, billOf, harnessDrawing, svgOf } from '@knapsack/contract/harness';
import { saveFile } from '../data/save-file';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';

/** Points of a picture for one of the drawing. */
const SHARP = 2;

/** The drawing and the parts list as files. */
@Component({
  selector: 'ks-wire-files',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="files">
      Save as
      <button type="button" class="quiet" (click)="svg()">SVG</button>
      <button type="button" class="quiet" (click)="png()">PNG</button>
      <button type="button" class="quiet" (click)="bill()">Parts list (CSV)</button>
      @if (problem(); as sentence) {
        <span class="problem" role="alert">{{ sentence }}</span>
      }
    </p>
  `,
})
export class WireFilesComponent {
  private readonly store = inject(WireStore);
  private readonly plan = inject(TripStore);
  protected readonly problem = signal<string | null>(null);

  protected svg(): void {
    const asSvg = this.asSvg();
    if (asSvg) saveFile(`${this.name()}-wiring.svg`, [asSvg.text], 'image/svg+xml');
  }

  protected png(): void {
    const asSvg = this.asSvg();
    if (!asSvg) return;
    const image = new Image();
    image.onload = () => {
      const canvas = document.createElement('canvas');
      canvas.width = Math.ceil(asSvg.width * SHARP);
      canvas.height = Math.ceil(asSvg.height * SHARP);
      canvas.getContext('2d')?.drawImage(image, 0, 0, canvas.width, canvas.height);
      canvas.toBlob((blob) => {
        if (blob) saveFile(`${this.name()}-wiring.png`, [blob], 'image/png');
      });
    };
    image.onerror = () =>
      this.problem.set('This browser does not make a picture of it. The SVG holds the same drawing.');
    image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(asSvg.text)}`;
  }

  protected bill(): void {
    const report = this.store.report();
    if (report) saveFile(`${this.name()}-parts.csv`, [billCsv(billOf(report))], 'text/csv');
  }

  private asSvg(): { readonly text: string; readonly width: number; readonly height: number } | null {
    const report = this.store.report();
    if (!report) return null;
    const drawing = harnessDrawing(report, 'across');
    return {
      text: svgOf(drawing, `Wiring of ${this.plan.trip()?.name ?? ''}`),
      width: drawing.width,
      height: drawing.height,
    };
  }

  private name(): string {
    return this.plan.trip()?.id ?? 'kit';
  }
}
