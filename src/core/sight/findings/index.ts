import { cures, type Finding } from '../../findings'
import type { Sight } from '../../job/job'
import { oncePer } from '../../once'
import type { PlaceContext } from '../../parts'
import { aheadOf } from '../ahead'
import { lookAround } from '../around'
import { onLand } from '../eye'
import { tiltRangeDeg } from '../joint'
import { aimFindings } from './aim'
import type { Asked, Cured } from './asked'
import { faceFindings } from './face'
import { hiddenFindings } from './hidden'
import { levelFindings } from './level'
import { nearFindings } from './near'
import { nightFindings } from './night'
import { privacyFindings } from './privacy'
import { sunFindings } from './sun'
import { wishFindings } from './wish'

/** What is judged of a sight, in the order in which it is said. */
const JUDGES: readonly ((asked: Asked) => readonly Finding[])[] = [
  aimFindings,
  levelFindings,
  faceFindings,
  nightFindings,
  hiddenFindings,
  nearFindings,
  privacyFindings,
  sunFindings,
  wishFindings,
]

/** Every finding of a sight, with advice that was tried. */
export function findingsOf(context: PlaceContext, sight: Sight): Finding[] {
  const asked = askedOf(context, sight, null)
  const before = JUDGES.flatMap((judge) => judge(asked))
  const cured: Cured = (id, change) => {
    const tried = askedOf(context, changedTo(sight, change), null)
    return JUDGES.every((judge) => cures(id, before, judge(tried)))
  }
  const advised = { ...asked, cured }
  return JUDGES.flatMap((judge) => judge(advised))
}

const tries = oncePer((_: Sight) => new Map<string, Sight>())

/** A sight that is tried: the very same each time, so that what was found from it can be kept with it. */
function changedTo(sight: Sight, change: Partial<Sight>): Sight {
  const [tried, key] = [tries(sight), JSON.stringify(change)]
  const made = tried.get(key) ?? { ...sight, ...change }
  tried.set(key, made)
  return made
}

function askedOf(context: PlaceContext, sight: Sight, cured: Cured | null): Asked {
  const standing = onLand(context, sight)
  return {
    context,
    sight: standing,
    cured,
    ahead: aheadOf(context.camera, standing),
    range: tiltRangeDeg(context.camera, context.facing),
    around: sight.place ? lookAround(context, sight, sight.place) : null,
  }
}
