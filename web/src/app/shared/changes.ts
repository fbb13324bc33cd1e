import { inject, Injectable } from '@angular/core';
import { Subject } from 'rxjs';
import type { Changed } from '@druckerei/contract';
import { Line } from './line';

/**
 * What others changed. One stream per browser: the tab that holds the lock listens to the server and tells the other tabs,
 * else the sixth open tab would wait for a free connection.
 */
@Injectable({ providedIn: 'root' })
export class Changes {
  private readonly line = inject(Line);
  private readonly subject = new Subject<Changed | null>();
  /** A change, or null: something may have been missed, read again. */
  readonly changes$ = this.subject.asObservable();
  private started = false;

  start(): void {
    if (this.started || typeof BroadcastChannel === 'undefined') return;
    this.started = true;
    const channel = new BroadcastChannel('druckerei-changes');
    channel.onmessage = ({ data }: MessageEvent<Changed | null>) => {
      this.subject.next(data);
    };
    const tell = (changed: Changed | null): void => {
      channel.postMessage(changed);
      this.subject.next(changed);
    };
    void navigator.locks.request(
      'druckerei-stream',
      () =>
        new Promise<void>(() => {
          this.listen(tell);
        }),
    );
  }

  private listen(tell: (changed: Changed | null) => void): void {
    const source = new EventSource('/api/events?ngsw-bypass=true');
    source.addEventListener('changed', (e: MessageEvent<string>) => {
      tell(JSON.parse(e.data) as Changed);
    });
    source.addEventListener('again', () => {
      tell(null);
    });
    source.onopen = () => {
      this.line.answered();
      tell(null);
    };
    // A refused stream (signed out) is closed for good by the browser: try again later.
    source.onerror = () => {
      if (source.readyState === EventSource.CONNECTING) this.line.silent();
      if (source.readyState === EventSource.CLOSED)
        setTimeout(() => {
          this.listen(tell);
        }, 5_000);
    };
  }
}
