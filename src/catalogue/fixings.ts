import type { Fixing, Wood } from '@/core/parts'

const computed = 'Withdrawal computed from wood, thread and diameter'
const usual = 'Ordinary working value for one fixing, made up for this catalogue: use the maker’s figure'

/** Root diameters: NDS appendix L from memory (No. 6 0.113 in, No. 8 0.131 in, No. 10 0.152 in, lag 1/4 in 0.173 in). */
export const FIXINGS: readonly Fixing[] = [
  { id: 'screw-6', name: 'No. 6 wood screw, 32 mm', kind: 'wood screw', holdsIn: ['wood'], diameterMm: 3.505, rootMm: 2.87, threadMm: 21.3, holeMm: null, holeFit: 'anchor', pullN: null, shearN: 250, bandMm: null, basis: computed, source: 'nds' },
  { id: 'screw-8', name: 'No. 8 wood screw, 40 mm', kind: 'wood screw', holdsIn: ['wood'], diameterMm: 4.166, rootMm: 3.327, threadMm: 27, holeMm: null, holeFit: 'anchor', pullN: null, shearN: 400, bandMm: null, basis: computed, source: 'nds' },
  { id: 'screw-10', name: 'No. 10 wood screw, 50 mm', kind: 'wood screw', holdsIn: ['wood'], diameterMm: 4.826, rootMm: 3.861, threadMm: 34, holeMm: null, holeFit: 'anchor', pullN: null, shearN: 550, bandMm: null, basis: computed, source: 'nds' },
  { id: 'lag-quarter', name: 'Lag screw 1/4 in, 65 mm', kind: 'lag screw', holdsIn: ['wood'], diameterMm: 6.35, rootMm: 4.394, threadMm: 38, holeMm: null, holeFit: 'anchor', pullN: null, shearN: 700, bandMm: null, basis: computed, source: 'nds' },
  { id: 'plug-6', name: '6 mm plug and screw', kind: 'plug and screw', holdsIn: ['masonry'], diameterMm: 4.5, rootMm: null, threadMm: 30, holeMm: 6, holeFit: 'anchor', pullN: 250, shearN: 300, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'plug-8', name: '8 mm plug and screw', kind: 'plug and screw', holdsIn: ['masonry'], diameterMm: 5.5, rootMm: null, threadMm: 40, holeMm: 8, holeFit: 'anchor', pullN: 450, shearN: 600, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'bolt-8', name: 'Expansion bolt M8', kind: 'expansion bolt', holdsIn: ['masonry'], diameterMm: 8, rootMm: null, threadMm: 50, holeMm: 10, holeFit: 'anchor', pullN: 2000, shearN: 2500, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'sleeve-hollow', name: 'Sleeve anchor for hollow block', kind: 'hollow anchor', holdsIn: ['hollow masonry'], diameterMm: 6, rootMm: null, threadMm: 50, holeMm: 12, holeFit: 'anchor', pullN: 300, shearN: 400, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'toggle-board', name: 'Spring toggle for board', kind: 'hollow anchor', holdsIn: ['soft sheet'], diameterMm: 5, rootMm: null, threadMm: 50, holeMm: 14, holeFit: 'clear', pullN: 90, shearN: 120, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'tile-bolt', name: 'Through bolt M4 with spread plate', kind: 'machine screw', holdsIn: ['tile', 'soft sheet'], diameterMm: 4, rootMm: null, threadMm: 30, holeMm: 4.5, holeFit: 'clear', pullN: 60, shearN: 150, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'self-drill', name: 'Self-drilling screw with sealing washer', kind: 'self-drilling screw', holdsIn: ['steel sheet'], diameterMm: 5.5, rootMm: null, threadMm: 25, holeMm: 0, holeFit: 'anchor', pullN: 500, shearN: 800, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'rivet-nut', name: 'Rivet nut M5', kind: 'rivet nut', holdsIn: ['steel sheet'], diameterMm: 5, rootMm: null, threadMm: 16, holeMm: 7, holeFit: 'anchor', pullN: 900, shearN: 900, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'pole-band', name: 'Stainless pole band, 60–170 mm', kind: 'band', holdsIn: ['pole'], diameterMm: 12, rootMm: null, threadMm: 0, holeMm: 0, holeFit: 'anchor', pullN: 1500, shearN: 900, bandMm: [60, 170], basis: usual, source: 'catalogue' },
  { id: 'pole-band-small', name: 'Stainless pole band, 40–75 mm', kind: 'band', holdsIn: ['pole'], diameterMm: 12, rootMm: null, threadMm: 0, holeMm: 0, holeFit: 'anchor', pullN: 1200, shearN: 700, bandMm: [40, 75], basis: usual, source: 'catalogue' },
  { id: 'pole-band-large', name: 'Stainless pole band, 150–320 mm', kind: 'band', holdsIn: ['pole'], diameterMm: 16, rootMm: null, threadMm: 0, holeMm: 0, holeFit: 'anchor', pullN: 2000, shearN: 1200, bandMm: [150, 320], basis: usual, source: 'catalogue' },
  { id: 'resin-hollow', name: 'Resin anchor M8 in a mesh sleeve', kind: 'hollow anchor', holdsIn: ['hollow masonry', 'masonry'], diameterMm: 8, rootMm: null, threadMm: 85, holeMm: 16, holeFit: 'anchor', pullN: 1200, shearN: 1800, bandMm: null, basis: usual, source: 'catalogue' },
  { id: 'box-screw', name: 'Machine screw M4 into the box', kind: 'machine screw', holdsIn: ['box'], diameterMm: 4, rootMm: null, threadMm: 20, holeMm: 0, holeFit: 'anchor', pullN: 400, shearN: 600, bandMm: null, basis: usual, source: 'catalogue' },
]

/** Specific gravity G for withdrawal: NDS species table. */
export const WOODS: readonly Wood[] = [
  { id: 'douglas-fir-larch', name: 'Douglas fir-larch', specificGravity: 0.5, source: 'nds' },
  { id: 'southern-pine', name: 'Southern pine', specificGravity: 0.55, source: 'nds' },
  { id: 'hem-fir', name: 'Hem-fir', specificGravity: 0.43, source: 'nds' },
  { id: 'spruce-pine-fir', name: 'Spruce-pine-fir', specificGravity: 0.42, source: 'nds' },
  { id: 'western-cedar', name: 'Western cedar', specificGravity: 0.36, source: 'nds' },
]
