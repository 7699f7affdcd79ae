import sharp from 'sharp'

/** A picture of noise: no two are alike, and none can be packed into less. */
export const grainy = (width: number, height: number, sigma: number) =>
  sharp({
    create: {
      width,
      height,
      channels: 3,
      background: '#456',
      noise: { type: 'gaussian', mean: 128, sigma },
    },
  })
