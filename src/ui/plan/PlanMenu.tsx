'use client'

import { Menu, Portal } from '@chakra-ui/react'
import type { ReactNode } from 'react'
import type { PlanPoint } from '@/core/geometry'
import { ACTIONS } from './actions'
import { ActionWords } from './ActionWords'
import type { Editor } from './editor'

/** What can be done with what is selected, where the hand is. */
export function PlanMenu({
  editor,
  at,
  children,
}: {
  editor: Editor
  at: PlanPoint | null
  children: ReactNode
}) {
  return (
    <Menu.Root lazyMount unmountOnExit>
      <Menu.ContextTrigger asChild>{children}</Menu.ContextTrigger>
      <Portal>
        <Menu.Positioner>
          <Menu.Content minW="260px" bg="sheet" borderWidth="1px" borderColor="ink" aria-label="On the plan">
            {ACTIONS.filter(({ can }) => can(editor)).map((action) => (
              <Menu.Item
                key={action.label}
                value={action.label}
                minH="36px"
                display="flex"
                justifyContent="space-between"
                gap={6}
                onClick={() => action.run(editor, at)}
              >
                <ActionWords action={action} />
              </Menu.Item>
            ))}
          </Menu.Content>
        </Menu.Positioner>
      </Portal>
    </Menu.Root>
  )
}
