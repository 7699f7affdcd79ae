'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import { along, areaM2, bearingDeg, distanceM, type Outline } from '@/core/geometry'
import {
  FLOORS,
  LEVELS,
  PULL_POINTS,
  SPACES,
  type Floor,
  type LevelId,
  type PlanThing,
  type SpaceId,
  type ThingName,
  type ThingOf,
} from '@/core/job'
import { isPutUp, turnedRound } from '@/core/plan'
import { FLOORS_UP, levelsOf } from '@/core/sight'
import { print, type QuantityKind } from '@/core/units'
import type { Said } from '../../job/commands'
import { Choose } from '../../kit/Choose'
import { Tick } from '../../kit/Tick'
import type { Editor } from '../editor'
import { ConduitChoice } from './ConduitChoice'
import { EquipmentChoice } from './EquipmentChoice'
import { Openings } from './Openings'

/** What the fields of a thing are made with. */
export interface Form {
  readonly editor: Editor
  readonly put: (change: Partial<PlanThing>) => Promise<Said>
  /** A field for a length: its label, its value and limits (m), and what keeping it does. */
  readonly metres: (
    label: string,
    value: number,
    least: number,
    most: number,
    onKeep: (value: number) => Promise<Said>,
  ) => ReactNode
  /** The same for a quantity of another kind. */
  readonly figure: (kind: QuantityKind, ...field: Parameters<Form['metres']>) => ReactNode
}

/** The fields of one kind: its measures, two in a row, and what stands below them. */
interface Fields<K extends ThingName> {
  readonly measures?: (thing: ThingOf<K>, form: Form) => ReactNode
  readonly more?: (thing: ThingOf<K>, form: Form) => ReactNode
}

const sideOf = ({ from, to }: ThingOf<'wall' | 'soffit'>, { metres, put }: Form) =>
  metres('Length', distanceM(from, to), 0.05, 1000, (lengthM) =>
    put({ to: along(from, bearingDeg(from, to), lengthM) }),
  )

const heightsOf = ({ heightM, baseM }: ThingOf<'wall' | 'obstacle'>, { metres, put }: Form) => (
  <>
    {metres('Height', heightM, 0.05, 100, (to) => put({ heightM: to }))}
    {metres('Starts above the floor', baseM, 0, 100, (to) => put({ baseM: to }))}
  </>
)

const groundOf = ({ outline }: { outline: Outline }, { editor: { job } }: Form) => (
  <Text className="figures">
    {print({ value: areaM2(outline), kind: 'ground' }, job.units)}, {outline.length} corners.
  </Text>
)

const targetHeight = ({ targetHeightM }: ThingOf<'area' | 'target'>, { metres, put }: Form) =>
  metres('Target height', targetHeightM, 0, 20, (to) => put({ targetHeightM: to }))

const mustShow = ({ level }: ThingOf<'area' | 'target'>, { editor: { job }, put }: Form) => (
  <Choose
    label="Must show"
    value={level}
    options={levelsOf(job.policies.edition).map((id) => ({
      value: id,
      label: `${LEVELS[id].name}, ${print({ value: LEVELS[id].densityPxM, kind: 'density' }, job.units)}`,
    }))}
    onChoose={(to) => put({ level: to as LevelId })}
  />
)

/** What stands on one side of its line, and the way to the other. */
const OtherSide = ({ words, onTurn }: { words: string; onTurn: () => void }) => (
  <Box>
    <Text fontSize="sm" color="soft">
      {words}
    </Text>
    <Button size="sm" minH="44px" mt={1} variant="outline" colorPalette="inky" onClick={onTurn}>
      Turn it to the other side
    </Button>
  </Box>
)

const FIELDS: { readonly [K in ThingName]: Fields<K> } = {
  'wall': {
    measures: (thing, form) => (
      <>
        {sideOf(thing, form)}
        {heightsOf(thing, form)}
        {form.metres('Thickness', thing.thicknessM, 0, 3, (thicknessM) => form.put({ thicknessM }))}
      </>
    ),
    more: (thing, { editor, put }) => (
      <>
        {thing.thicknessM > 0 ? (
          <OtherSide
            words="It stands to the left of its line as it was drawn."
            onTurn={() => put(turnedRound(thing))}
          />
        ) : null}
        <Openings wall={thing} editor={editor} />
      </>
    ),
  },
  'soffit': {
    measures: (thing, form) => (
      <>
        {sideOf(thing, form)}
        {form.metres('Depth', thing.depthM, 0.05, 10, (depthM) => form.put({ depthM }))}
        {form.metres('Underside', thing.undersideM, 0.5, 60, (undersideM) => form.put({ undersideM }))}
        {form.metres('Lip hangs', thing.lipM, 0, 2, (lipM) => form.put({ lipM }))}
      </>
    ),
    more: ({ from, to }, { put }) => (
      <OtherSide
        words="The wall lies to the left of the edge as it was drawn."
        onTurn={() => put({ from: to, to: from })}
      />
    ),
  },
  'obstacle': {
    measures: (thing, form) => {
      const { form: shape } = thing
      return (
        <>
          {heightsOf(thing, form)}
          {shape.is === 'round'
            ? form.metres('Across', 2 * shape.radiusM, 0.04, 100, (across) =>
                form.put({ form: { ...shape, radiusM: across / 2 } }),
              )
            : null}
        </>
      )
    },
  },
  'premises': { more: groundOf },
  'area': {
    measures: targetHeight,
    more: (thing, form) => (
      <>
        {mustShow(thing, form)}
        {groundOf(thing, form)}
      </>
    ),
  },
  'privacy': { more: groundOf },
  'target': { measures: targetHeight, more: mustShow },
  'walk': {},
  'head end': {},
  'equipment': {
    measures: ({ heightM }, { metres, put }) =>
      metres('Above its floor', heightM, -20, 100, (to) => put({ heightM: to })),
    more: (thing, form) => <EquipmentChoice thing={thing} form={form} />,
  },
  'pull point': {
    measures: ({ heightM }, { metres, put }) =>
      metres('Above its floor', heightM, -20, 100, (to) => put({ heightM: to })),
    more: ({ is }, { put }) => (
      <>
        <Choose
          label="What it is"
          value={is}
          options={Object.entries(PULL_POINTS).map(([value, label]) => ({ value, label }))}
          onChoose={(to) => put({ is: to as keyof typeof PULL_POINTS })}
        />
        <Text fontSize="sm" color="soft">
          On a conduit or a duct, as high as that is here: cables are drawn from one pull point to the next.
        </Text>
      </>
    ),
  },
  'slab': { more: groundOf },
  'pathway': {
    measures: (thing, { metres, figure, put }) => (
      <>
        {metres('Starts above its floor', thing.heightM, -20, 100, (to) =>
          put(thing.endM === thing.heightM ? { heightM: to, endM: to } : { heightM: to }),
        )}
        {metres('Ends above its floor', thing.endM, -20, 100, (to) => put({ endM: to }))}
        {figure('temperature', 'Temperature', thing.temperatureC, -40, 90, (temperatureC) =>
          put({ temperatureC }),
        )}
        {figure('temperature', 'Coldest', thing.coldestC, -60, 90, (coldestC) => put({ coldestC }))}
        {figure('count', 'Minutes a metre', thing.minutesPerM, 0, 600, (minutesPerM) => put({ minutesPerM }))}
        {SPACES[thing.space].sized
          ? figure('count', 'Cables in it already', thing.lyingCables, 0, 200, (lyingCables) =>
              put({ lyingCables }),
            )
          : null}
        {SPACES[thing.space].sized
          ? null
          : figure('size', 'Free across', thing.freeMm, 0, 2000, (freeMm) => put({ freeMm }))}
        {thing.lyingCables > 0
          ? figure('size', 'Each as thick as', thing.lyingMm, 1, 60, (lyingMm) => put({ lyingMm }))
          : null}
      </>
    ),
    more: (thing, { put }) => (
      <>
        {SPACES[thing.space].sized || thing.freeMm > 0 ? null : (
          <Text fontSize="sm" color="soft">
            Free across is 0 where nobody measured it: whether all that goes through has room is not judged.
          </Text>
        )}
        <Choose
          label="Space"
          value={thing.space}
          options={(Object.keys(SPACES) as SpaceId[]).map((id) => ({ value: id, label: SPACES[id].name }))}
          onChoose={(to) => {
            const { temperatureC, coldestC, minutesPerM } = SPACES[to as SpaceId]
            const { sized } = SPACES[to as SpaceId]
            const size = sized === SPACES[thing.space].sized ? {} : { conduitId: null }
            const lying = sized ? { freeMm: 0 } : { lyingCables: 0 }
            const up = isPutUp(to as SpaceId) ? {} : { yetToPut: false }
            const bare = SPACES[to as SpaceId].edge ? {} : { bareEdges: false }
            return put({
              space: to as SpaceId,
              temperatureC,
              coldestC,
              minutesPerM,
              ...size,
              ...lying,
              ...up,
              ...bare,
            })
          }}
        />
        {SPACES[thing.space].sized ? (
          <ConduitChoice
            form={SPACES[thing.space].sized!}
            conduitId={thing.conduitId}
            onChoose={(conduitId) => put({ conduitId })}
          />
        ) : null}
        {isPutUp(thing.space) ? (
          <Tick checked={thing.yetToPut} onTick={(yetToPut) => put({ yetToPut })}>
            It is yet to be put up: on the van list
          </Tick>
        ) : null}
        {SPACES[thing.space].edge ? (
          <Tick checked={thing.bareEdges} onTick={(bareEdges) => put({ bareEdges })}>
            Its edges are sharp, and nothing lines them yet
          </Tick>
        ) : null}
        {SPACES[thing.space].tube ? (
          <Tick checked={thing.expansionFitted} onTick={(expansionFitted) => put({ expansionFitted })}>
            It has expansion fittings
          </Tick>
        ) : null}
        <Choose
          label="Its end is on"
          value={thing.endFloor ?? thing.floor}
          options={FLOORS_UP.map((floor) => ({ value: floor, label: FLOORS[floor] }))}
          onChoose={(to) => put({ endFloor: to === thing.floor ? null : (to as Floor) })}
        />
        <Tick checked={thing.besideMains} onTick={(besideMains) => put({ besideMains })}>
          Mains run along it
        </Tick>
        <Text fontSize="sm" color="soft">
          {SPACES[thing.space].caution} It meets another pathway where a point of one lies on the other; where
          they only cross, they pass each other.
        </Text>
      </>
    ),
  },
  'ground level': {
    measures: ({ path, groundM, endM }, { metres, put }) => (
      <>
        {metres(path.length > 1 ? 'Ground at its start' : 'Ground lies at', groundM, -50, 50, (to) =>
          put(endM === groundM ? { groundM: to, endM: to } : { groundM: to }),
        )}
        {path.length > 1 ? metres('Ground at its end', endM, -50, 50, (to) => put({ endM: to })) : null}
      </>
    ),
    more: () => (
      <Text fontSize="sm" color="soft">
        Above the level that heights on this floor count from, below it where negative. People, faces, areas
        and targets stand on the ground between such levels; what has its foot at 0 reaches down to it.
      </Text>
    ),
  },
}

/** The fields of a thing's kind. */
export const fieldsOf = (thing: PlanThing): Fields<ThingName> => FIELDS[thing.kind]
