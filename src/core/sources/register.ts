import { EXTENSION_OVERLAPS, MOUNT_FORMULAS, MOUNT_LIMITS, VAN_LIMITS, WIND_PROFILES } from '../mount/limits'
import { POWER_FORMULAS, POWER_LIMITS, POE_CLASSES } from '../power/limits'
import { PROCEDURE_LIMITS } from '../procedure/limits'
import { LENGTH_BY_TEMPERATURE, ROUTE_FORMULAS, ROUTE_LIMITS } from '../route/limits'
import { SEAL_FORMULAS, SEAL_LIMITS } from '../seal/limits'
import { SIGHT_FORMULAS, SIGHT_LIMITS } from '../sight/limits'
import { TERMINATE_FORMULAS, TERMINATE_LIMITS } from '../terminate/limits'
import { EXPOSURES, LEVELS, POLE_MATERIALS, SPACES, TERRAINS, type Terrain } from '../job/choices'
import { limit, type Formula, type Limit } from './sources'

/** Every constant and formula of the product by stage, for the page of sources and its check. */
export const REGISTER: readonly {
  readonly title: string
  readonly limits: readonly Limit[]
  readonly formulas: readonly Formula[]
}[] = [
  {
    title: 'Sight',
    limits: [
      ...Object.values(LEVELS).map(({ name, edition, densityPxM, source }) =>
        limit(`${name} (${edition})`, densityPxM, 'px/m', source),
      ),
      ...Object.values(SIGHT_LIMITS),
    ],
    formulas: SIGHT_FORMULAS,
  },
  {
    title: 'Mount',
    limits: [
      ...Object.values(MOUNT_LIMITS),
      ...Object.values(VAN_LIMITS),
      ...EXTENSION_OVERLAPS.map(({ upToM, overlapM }) =>
        limit(`Overlap of an extension ladder up to ${upToM} m`, overlapM, 'm', 'ansi-a14-2'),
      ),
      ...(Object.keys(WIND_PROFILES) as Terrain[]).flatMap((terrain) => [
        limit(
          `Wind exponent α, ${TERRAINS[terrain].toLowerCase()}`,
          WIND_PROFILES[terrain].alpha,
          '',
          'asce-7-kz',
        ),
        limit(
          `Gradient height, ${TERRAINS[terrain].toLowerCase()}`,
          WIND_PROFILES[terrain].gradientFt,
          'ft',
          'asce-7-kz',
        ),
      ]),
      ...Object.values(POLE_MATERIALS).map(({ name, bendingMPa }) =>
        limit(
          `Allowable bending stress of a pole, ${name.toLowerCase()}`,
          bendingMPa,
          'MPa',
          'handbook-bending',
        ),
      ),
    ],
    formulas: MOUNT_FORMULAS,
  },
  {
    title: 'Route',
    limits: [
      ...Object.values(ROUTE_LIMITS),
      ...LENGTH_BY_TEMPERATURE.map(([temperatureC, lengthM]) =>
        limit(`Allowed fixed link at ${temperatureC} °C`, lengthM, 'm', 'tia-568-heat'),
      ),
      ...Object.values(SPACES).flatMap(({ name, support }) =>
        support ? [limit(`${name}: ${support.name} every`, support.everyM, 'm', support.source)] : [],
      ),
    ],
    formulas: ROUTE_FORMULAS,
  },
  { title: 'Terminate', limits: Object.values(TERMINATE_LIMITS), formulas: TERMINATE_FORMULAS },
  {
    title: 'Seal',
    limits: [
      ...Object.values(SEAL_LIMITS),
      ...Object.values(EXPOSURES).flatMap(({ name, tests }) =>
        tests.map((test) => limit(`${name} asks for water test`, test, '', 'practice')),
      ),
      ...Object.values(EXPOSURES).flatMap(({ name, edgeTests, dust }) => [
        ...edgeTests.map((test) =>
          limit(`${name} asks for water test at an open-bottomed edge`, test, '', 'practice'),
        ),
        ...(dust > 0 ? [limit(`${name} asks for dust digit`, dust, '', 'practice')] : []),
      ]),
    ],
    formulas: SEAL_FORMULAS,
  },
  {
    title: 'Power',
    limits: [
      ...Object.values(POWER_LIMITS),
      ...POE_CLASSES.flatMap(({ poeClass, sourceW, deviceW }) => [
        limit(`Class ${poeClass} at the port`, sourceW, 'W', 'ieee-802-3'),
        limit(`Class ${poeClass} at the camera`, deviceW, 'W', 'ieee-802-3'),
      ]),
    ],
    formulas: POWER_FORMULAS,
  },
  { title: 'Install log', limits: Object.values(PROCEDURE_LIMITS), formulas: [] },
]
