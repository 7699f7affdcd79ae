import { defaultConfig } from '@chakra-ui/react'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { system } from './theme'

const files = (readdirSync('src', { recursive: true }) as string[]).filter((name) => /\.tsx$/.test(name))
const sources = files.map((name) => readFileSync(join('src', name), 'utf8'))

it('keeps the styles of every part of the library that is in use', () => {
  const { recipes = {}, slotRecipes = {} } = defaultConfig.theme ?? {}
  const used = sources.flatMap((words) =>
    [...words.matchAll(/import \{([^}]*)\} from '@chakra-ui\/react'/g)].flatMap(([, names]) =>
      names!.split(',').map((name) => name.trim()),
    ),
  )
  const styled = [...new Set(used)]
    .filter((name) => /^[A-Z]/.test(name))
    .map((name) => name[0]!.toLowerCase() + name.slice(1))
    .filter((name) => name in recipes || name in slotRecipes)
  expect(styled.length).toBeGreaterThan(8)
  expect(styled.filter((name) => !system.isRecipe(name) && !system.isSlotRecipe(name))).toEqual([])
})

it('keeps every shade of the library that is named', () => {
  const named = sources.flatMap((words) =>
    [...words.matchAll(/['"]((?:red|orange|yellow|green|teal|blue|cyan|purple|pink|gray)\.\d+)['"]/g)].map(
      ([, name]) => name!,
    ),
  )
  expect(named.filter((name) => !system.tokens.getByName(`colors.${name}`))).toEqual([])
})
