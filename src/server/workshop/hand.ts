import { TASKS, type TaskName } from './tasks'

/**
 * The process that does a task: it hears what to do, tells how far it is, and answers. It can be ended at
 * any moment.
 */
interface Order {
  readonly task: TaskName
  readonly input: never
}

process.on('message', ({ task, input }: Order) => {
  const onProgress = (done: number, total: number) => process.send?.({ is: 'progress', done, total })
  const doing = async () => process.send?.({ is: 'done', result: await TASKS[task](input, onProgress) })
  doing().catch((error: unknown) =>
    process.send?.({
      is: 'failed',
      message: error instanceof Error ? (error.stack ?? error.message) : String(error),
    }),
  )
})
process.on('disconnect', () => process.exit(0))
process.send?.({ is: 'ready' })
