import jsQR from 'jsqr'
import { create } from 'qrcode'
import { describe, expect, it } from 'vitest'
import { readLabel } from './label'

const known = {
  jobId: 'quay',
  marked: [
    { mark: '07', href: '/jobs/quay/devices/device-07/log' },
    { mark: 'E1', href: '/jobs/quay/equipment/recorder' },
  ],
}

describe('a label', () => {
  it.each([
    ['https://192.0.2.7:3443/jobs/quay/devices/device-07/log', { href: '/jobs/quay/devices/device-07/log' }],
    ['/jobs/quay/equipment/recorder?x=1', { href: '/jobs/quay/equipment/recorder' }],
    ['http://localhost:3217/jobs/quay/runs/r-1', { href: '/jobs/quay/runs/r-1' }],
    ['http://localhost/jobs/lane/devices/d/log', { job: 'lane', href: '/jobs/lane/devices/d/log' }],
    [' e1 ', { href: '/jobs/quay/equipment/recorder' }],
    ['07', { href: '/jobs/quay/devices/device-07/log' }],
  ])('%s', (words, to) => expect(readLabel(words, known)).toMatchObject(to))
  it.each(['08', 'https://example.org/', 'javascript:alert(1)', '', '/jobs/quay/settings'])(
    '“%s” leads nowhere, and says so',
    (words) =>
      expect(readLabel(words, known)).toEqual({ says: expect.stringMatching(/nothing here/) as string }),
  )
  it('is read by a second library as it is drawn: dark on light, with the quiet zone round it', () => {
    const words = 'https://192.168.1.20:3443/jobs/kestrel-quay/devices/device-07/log'
    const { size, data } = create(words, { errorCorrectionLevel: 'M' }).modules
    const [quiet, scale] = [4, 3]
    const across = (size + 2 * quiet) * scale
    const pixels = new Uint8ClampedArray(across * across * 4).fill(255)
    for (let y = 0; y < size * scale; y++)
      for (let x = 0; x < size * scale; x++)
        if (data[Math.floor(y / scale) * size + Math.floor(x / scale)])
          pixels.fill(
            0,
            4 * ((y + quiet * scale) * across + x + quiet * scale),
            4 * ((y + quiet * scale) * across + x + quiet * scale) + 3,
          )
    expect(jsQR(pixels, across, across)?.data).toBe(words)
  })
})
