import { createHash, createHmac, timingSafeEqual } from 'node:crypto';

/** Signs texts with the key every server process shares. */
export class Seal {
  constructor(private readonly key: string) {}

  private sign = (text: string): string => createHmac('sha256', this.key).update(`floor ${text}`).digest('base64url');

  /** A text that can be read by anybody and made by nobody else. */
  close(text: string): string {
    return `${Buffer.from(text).toString('base64url')}.${this.sign(text)}`;
  }
  /** The text, or null where it was not sealed with this key. */
  open(token: string): string | null {
    const [body = '', mark = ''] = token.split('.');
    const text = Buffer.from(body, 'base64url').toString();
    const [right, given] = [Buffer.from(this.sign(text)), Buffer.from(mark)];
    return right.length === given.length && timingSafeEqual(right, given) ? text : null;
  }
}

/** How long entries of a person who signed on at a device are taken without signing on again: a terminal may be away for weeks. */
const TOKEN_DAYS = 30;

/** A mark of a PIN that tells nothing of it: another PIN has another mark. */
const markOf = (pinHash: string): string => createHash('sha256').update(pinHash).digest('base64url').slice(0, 16);

interface Token {
  person: string;
  device: string;
  until: number;
  pin: string;
}
export const tokenFor = (seal: Seal, { person, pinHash }: { person: string; pinHash: string }, device: string, now: number): string =>
  seal.close(JSON.stringify({ person, device, until: now + TOKEN_DAYS * 86_400, pin: markOf(pinHash) } satisfies Token));

/** Whom a token vouches for on a device, while the PIN it was given for stands; null where it does not. */
export function personOf(
  seal: Seal,
  token: string,
  device: string,
  now: number,
): { person: string; holds: (pinHash: string) => boolean } | null {
  const text = seal.open(token);
  if (text === null) return null;
  const said = JSON.parse(text) as Token;
  return said.device === device && said.until > now ? { person: said.person, holds: (pinHash) => markOf(pinHash) === said.pin } : null;
}
