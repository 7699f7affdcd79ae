import type { MountPart, Opening, Surface } from '@/core/parts'

const square = (spacingMm: number) => ({ holes: 4, atLeast: 4, spacingMm })
const none = { holes: 0, atLeast: 0, spacingMm: 0 }
const lid: Opening = { key: 'lid', name: 'lid gasket', kind: 'gasket', holeMm: null, builtIn: ['IP66'] }
const edge: Opening = { key: 'edge', name: 'edge against the wall', kind: 'wall edge', holeMm: null, builtIn: [] }
const entry = (name: string, holeMm: number): Opening => ({ key: 'entry', name, kind: 'cable entry', holeMm, builtIn: [] })
const spare = (holeMm: number): Opening => ({ key: 'spare', name: 'unused side entry', kind: 'spare entry', holeMm, builtIn: [] })
const joint: Opening = { key: 'joint', name: 'joint gasket', kind: 'gasket', holeMm: null, builtIn: ['IP66'] }

/** Everything that may stand between a surface and a camera. Order of a stack: from the surface outwards. */
export const MOUNTS: readonly MountPart[] = [
  { id: 'junction-box', name: 'Junction box, 120 mm', kind: 'junction box', needs: 'surface', offers: 'box lid', turns: 'same', massKg: 0.42, baseMm: 120, depthMm: 45, reachMm: 45, fixing: square(90), enclosesJoint: true, openings: [entry('rear cable entry', 20.5), spare(20.5), lid, edge], before: 'Hang the camera on its hook while you wire it.' },
  { id: 'round-back-box', name: 'Round back box, 150 mm', kind: 'back box', needs: 'surface', offers: 'box lid', turns: 'same', massKg: 0.55, baseMm: 150, depthMm: 50, reachMm: 50, fixing: square(105), enclosesJoint: true, openings: [entry('side conduit entry', 20.5), lid, edge], before: 'Turn the cover along its track; never force it.' },
  { id: 'electrical-box-plate', name: 'Adapter plate for an electrical box', kind: 'plate', needs: 'surface', offers: 'surface', turns: 'same', massKg: 0.18, baseMm: 125, depthMm: 6, reachMm: 6, fixing: { holes: 4, atLeast: 2, spacingMm: 85 }, enclosesJoint: true, openings: [edge], before: 'Turn the plate until its holes match the box.' },
  { id: 'recessed-box', name: 'Recessed electrical box, weatherproof', kind: 'electrical box', needs: 'surface', offers: 'surface', turns: 'same', massKg: 0.3, baseMm: 115, depthMm: 50, reachMm: 0, fixing: { holes: 2, atLeast: 2, spacingMm: 85 }, enclosesJoint: true, openings: [{ ...entry('mains cable clamp', 22.2), builtIn: ['IP54'] }, edge], before: 'Join the earth first, then neutral, then live.' },
  { id: 'wall-plate', name: 'Surface plate, 100 mm', kind: 'plate', needs: 'surface', offers: 'surface', turns: 'same', massKg: 0.12, baseMm: 100, depthMm: 5, reachMm: 5, fixing: { holes: 4, atLeast: 2, spacingMm: 72 }, enclosesJoint: false, openings: [], before: 'Set it with a level on its marks before you tighten.' },
  { id: 'tile-spread-plate', spreadsTile: true, name: 'Spread plate for a ceiling tile', kind: 'plate', needs: 'surface', offers: 'surface', turns: 'same', massKg: 0.35, baseMm: 240, depthMm: 3, reachMm: 3, fixing: square(120), enclosesJoint: false, openings: [], before: 'Fix the tether to the structure above before the tile goes back.' },
  { id: 'wall-arm', onlyOn: 'wall', name: 'Wall arm, 300 mm', kind: 'wall arm', needs: 'surface', offers: 'pipe thread', turns: 'down', massKg: 1.3, baseMm: 125, depthMm: 120, reachMm: 300, fixing: square(95), enclosesJoint: false, openings: [entry('arm cable entry', 25.5), joint, edge], before: 'Put the glands in before the arm closes them off.' },
  { id: 'pole-adapter', name: 'Pole adapter with two bands', kind: 'pole adapter', needs: 'surface', offers: 'pole plate', turns: 'same', massKg: 0.9, baseMm: 150, depthMm: 55, reachMm: 55, fixing: { holes: 2, atLeast: 2, spacingMm: 110 }, enclosesJoint: true, openings: [entry('adapter cable entry', 20.5), joint], before: 'Put the glands in before the arm or box closes the adapter.' },
  { id: 'corner-adapter', name: 'Corner adapter', kind: 'corner adapter', needs: 'surface', offers: 'pole plate', turns: 'same', massKg: 1.1, baseMm: 170, depthMm: 110, reachMm: 110, fixing: square(140), enclosesJoint: true, openings: [entry('adapter cable entry', 20.5), joint, edge], before: 'Put the glands in before the arm closes the adapter.' },
  { id: 'ceiling-plate', onlyOn: 'down', name: 'Ceiling plate with pipe thread', kind: 'ceiling plate', needs: 'surface', offers: 'pipe thread', turns: 'down', massKg: 0.6, baseMm: 120, depthMm: 40, reachMm: 40, fixing: square(90), enclosesJoint: false, openings: [edge], before: 'The ring pad that the cable passes goes on the cable before the joint closes.' },
  { id: 'pendant-rod-500', name: 'Pendant rod, 500 mm', kind: 'rod', needs: 'pipe thread', offers: 'pipe thread', turns: 'same', massKg: 0.8, baseMm: 42, depthMm: 500, reachMm: 500, fixing: none, enclosesJoint: false, openings: [joint], before: 'Seal the threads, screw in, then lock with the holding screw.' },
  { id: 'pendant-box', name: 'Junction box on pipe thread', kind: 'junction box', needs: 'pipe thread', offers: 'box lid', turns: 'same', massKg: 0.5, baseMm: 120, depthMm: 50, reachMm: 50, fixing: none, enclosesJoint: true, openings: [{ ...joint, name: 'ring pad at the rod' }, spare(20.5), lid], before: null },
  { id: 'pendant-hood', name: 'Pendant hood', kind: 'hood', needs: 'pipe thread', offers: 'hood', turns: 'same', massKg: 0.7, baseMm: 190, depthMm: 90, reachMm: 90, fixing: none, enclosesJoint: true, openings: [joint], before: 'Screw the camera to the hood before the hood goes up.' },
  { id: 'surface-hood', name: 'Surface hood', kind: 'hood', needs: 'surface', offers: 'hood', turns: 'same', massKg: 0.9, baseMm: 200, depthMm: 70, reachMm: 70, fixing: square(150), enclosesJoint: true, openings: [entry('hood cable entry', 25.5), edge], before: 'Screw the camera to its hood before the hood goes to the wall.' },
  { id: 'in-ceiling-kit', spreadsTile: true, onlyOn: 'down', name: 'In-ceiling kit', kind: 'hood', needs: 'surface', offers: 'hood', turns: 'same', massKg: 0.8, baseMm: 230, depthMm: 60, reachMm: 0, fixing: { holes: 3, atLeast: 3, spacingMm: 150 }, enclosesJoint: true, openings: [], before: 'Fix the tether to the structure above.' },
  { id: 'housing-bracket', name: 'Wall bracket with ball joint', kind: 'bracket', needs: 'surface', offers: 'arm', turns: 'same', massKg: 1.2, baseMm: 110, depthMm: 210, reachMm: 210, fixing: square(80), enclosesJoint: false, openings: [], before: null },
  { id: 'outdoor-housing', coversCamera: true, name: 'Outdoor housing, 400 mm', kind: 'housing', needs: 'arm', offers: 'bracket', turns: 'same', massKg: 2.3, baseMm: 120, depthMm: 400, reachMm: 150, fixing: none, enclosesJoint: true, openings: [{ ...entry('housing entry gland', 20.5), key: 'gland' }, { key: 'window', name: 'lid and window gasket', kind: 'gasket', holeMm: null, builtIn: ['IP66'] }], before: 'Photograph the gland and the slack before the lid closes.' },
]

const wall = 'Check for hidden cables and pipes before you drill; wear eye protection; keep the ladder 4 up to 1 out.'
const eaves = 'Ladder at the eaves: mind the roof edge and overhead lines; wear eye protection when you drill above you.'

/** Surfaces and what holds in them; the watch-points are common practice, no source. */
export const SURFACES: readonly Surface[] = [
  { id: 'timber-soffit', name: 'Timber soffit', facing: 'down', holding: 'wood', watch: 'Hit wood, not vent slots; a cable hole near the edge weakens it.', caution: eaves },
  { id: 'timber-wall', name: 'Timber fascia or cladding', facing: 'wall', holding: 'wood', watch: 'Hit the framing behind; no plugs.', caution: wall },
  { id: 'plywood', name: 'Plywood sheathing, 12 mm or more', facing: 'wall', holding: 'wood', watch: 'Under 12 mm put a backing board behind.', caution: wall },
  { id: 'brick', name: 'Brick, solid block or concrete wall', facing: 'wall', holding: 'masonry', watch: 'Keep off soft mortar joints and keep the edge distance.', caution: `${wall} Hammer drilling makes silica dust: mask and extraction.` },
  { id: 'hollow-block', name: 'Hollow block wall', facing: 'wall', holding: 'hollow masonry', watch: 'Anchors spin in thin webs: use a sleeve made for hollow block.', caution: `${wall} Hammer action off: it breaks the web.` },
  { id: 'concrete-ceiling', name: 'Concrete ceiling', facing: 'down', holding: 'masonry', watch: 'Keep clear of reinforcement and hidden services.', caution: `${eaves} Hammer drilling makes silica dust: mask and extraction.` },
  { id: 'sheet-soffit', name: 'Aluminium or plastic soffit panel', facing: 'down', holding: 'soft sheet', watch: 'Never hang on the panel; cut edges need tape or a grommet.', caution: eaves },
  { id: 'steel-cladding', name: 'Steel cladding', facing: 'wall', holding: 'steel sheet', watch: 'Sharp edges and condensation inside.', caution: `${wall} Cut edges are sharp: gloves.` },
  { id: 'plasterboard-ceiling', name: 'Plasterboard ceiling', facing: 'down', holding: 'soft sheet', watch: 'To the joist, or light parts on a backing board.', caution: 'Old boards may hold asbestos: have them tested first. Eye protection.' },
  { id: 'ceiling-tile', name: 'Suspended ceiling tile', facing: 'down', holding: 'tile', watch: 'Never the tile alone: spread plate and a tether to the structure.', caution: 'Old tiles may hold asbestos: have them tested first. Mind lamps and cables above.' },
  { id: 'steel-pole', name: 'Steel pole', facing: 'wall', holding: 'pole', watch: 'Band of the right range; glands first.', caution: 'Ladder against a pole: tie it, or use a lift. Mind the lamp supply: isolate and prove dead.' },
  { id: 'timber-corner', name: 'Building corner, timber', facing: 'wall', holding: 'wood', watch: 'Screws into the corner post.', caution: wall },
  { id: 'existing-box', name: 'Existing electrical box', facing: 'wall', holding: 'box', watch: 'Gasket to the wall; turn the plate until holes match.', caution: 'Isolate, lock off and prove dead before you open it; licensed person where the law says so.' },
]
