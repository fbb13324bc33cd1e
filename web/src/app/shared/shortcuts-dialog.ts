import { say } from '@druckerei/core/words';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { MatDialogModule } from '@angular/material/dialog';
import { MatButton } from '@angular/material/button';
import { Shortcuts } from './shortcuts';

/** All keys of this screen. */
@Component({
  selector: 'dk-shortcuts-dialog',
  imports: [MatDialogModule, MatButton],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: ` <h2 mat-dialog-title>{{ say('shortcutsDialog.keysOfThisScreen') }}</h2>
    <mat-dialog-content>
      <dl>
        @for (s of keys; track s.keys) {
          <dt>
            <kbd class="kbd">{{ s.shown }}</kbd>
          </dt>
          <dd>{{ s.says }}</dd>
        }
      </dl>
    </mat-dialog-content>
    <mat-dialog-actions align="end"
      ><button matButton="outlined" mat-dialog-close type="button">{{ say('shortcutsDialog.close') }}</button></mat-dialog-actions
    >`,
  styles: `
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 8px 18px;
      margin: 0;
    }
    dd {
      margin: 0;
    }
  `,
})
export class ShortcutsDialog {
  protected readonly say = say;
  protected readonly keys = inject(Shortcuts).shown();
}
