import Joi from 'joi';
import { Refusal } from '@/core/refusal';
import { answer } from './answer';
import { isOwnHost, isSameOrigin, securityHeaders } from './origin';

const headers = (given: Record<string, string>) => new Headers(given);

it('only this machine’s own names are answered', () => {
  expect(['127.0.0.1:3000', 'localhost', '[::1]:3000'].every((host) => isOwnHost(host))).toBe(true);
  expect(
    ['evil.example:3000', '127.0.0.1.evil.example', '192.168.0.9:3000', null].some((host) => isOwnHost(host)),
  ).toBe(false);
});

it('only own pages, or a command line, may write', () => {
  expect(isSameOrigin(headers({ host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3000' }))).toBe(true);
  expect(isSameOrigin(headers({ host: '127.0.0.1:3000' }))).toBe(true);
  expect(isSameOrigin(headers({ host: '127.0.0.1:3000', origin: 'http://127.0.0.1:3001' }))).toBe(false);
  expect(isSameOrigin(headers({ host: '127.0.0.1:3000', origin: 'null' }))).toBe(false);
  expect(isSameOrigin(headers({ host: '127.0.0.1:3000', 'sec-fetch-site': 'cross-site' }))).toBe(false);
});

it('the policy lets own scripts run by nonce, and nothing be framed', () => {
  const policy = securityHeaders('abc', false)['Content-Security-Policy']!;
  expect(policy).toContain("'nonce-abc'");
  expect(policy).not.toContain('unsafe-eval');
  expect(policy).toContain("frame-ancestors 'none'");
});

describe('answer', () => {
  const schema = Joi.object<{ n: number; m: number }>({ n: Joi.number().required(), m: Joi.number().required() });

  it('gives the value, or every field’s error', async () => {
    await expect(answer(schema, { n: '2', m: 3 }, ({ n }) => Promise.resolve(n))).resolves.toEqual({
      ok: true,
      value: 2,
    });
    await expect(answer(schema, {}, () => Promise.resolve(0))).resolves.toEqual({
      ok: false,
      errors: [
        { field: 'n', message: 'n is missing. Fill it in.' },
        { field: 'm', message: 'm is missing. Fill it in.' },
      ],
    });
  });

  it('puts a refusal at its field', async () => {
    await expect(
      answer(schema, { n: 1, m: 1 }, () => Promise.reject(new Refusal('n', 'Not that one.'))),
    ).resolves.toEqual({
      ok: false,
      errors: [{ field: 'n', message: 'Not that one.' }],
    });
  });

  it('swallows nothing that nobody foresaw', async () => {
    const written: string[] = [];
    const spy = jest.spyOn(process.stderr, 'write').mockImplementation((text) => written.push(String(text)) > 0);
    const answered = await answer(schema, { n: 1, m: 1 }, () => Promise.reject(new Error('disk on fire')));
    spy.mockRestore();
    expect(answered.ok).toBe(false);
    expect(written.join('')).toContain('disk on fire');
  });
});
