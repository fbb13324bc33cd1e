import { ceilTolerant, floorTolerant } from '../quantity/round-tolerant';
import type { OpenTime } from './open-time';

/** A run in open seconds of its machine. */
export interface RunOn {
  time: OpenTime;
  /** Open seconds before it. */
  at: number;
  runS: number;
}

/**
 * Open seconds before which a follower may not begin to run when pieces are handed on in batches, so that it never runs dry.
 *
 * Formula: for every batch k it comes to piece (k − 1) · batch not before k · batch are made and have waited:
 * `max over k of open(made(k) + wait) − ⌊(k − 1) · batch / pieces · run⌋`. Whole seconds; made is rounded up, what the follower has behind it down.
 * Every batch is looked at: the machine of either may close in between. Source: common practice of overlapped production; the example is worked by hand in the test.
 * @example // 8,000 at 8,000/h from 08:00, batches of 3,000, follower 10,000/h: 08:27
 */
export function followsFrom(maker: RunOn, pieces: number, batch: number, waitS: number, follower: OpenTime, followerRunS: number): number {
  const batches = ceilTolerant(pieces / batch);
  const needed = (k: number): number => {
    const made = Math.min(k * batch, pieces);
    const done = maker.time.endOf(maker.at + ceilTolerant((made * maker.runS) / pieces));
    return follower.openBefore(done + waitS) - floorTolerant(((k - 1) * batch * followerRunS) / pieces);
  };
  let from = needed(1);
  for (let k = 2; k <= batches; k++) from = Math.max(from, needed(k));
  return from;
}
