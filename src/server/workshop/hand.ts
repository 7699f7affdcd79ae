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
  Promise.resolve(TASKS[task](input, onProgress))
    .then((result) => process.send?.({ is: 'done', result }))
    .catch((error: unknown) =>
      process.send?.({
        is: 'failed',
        message: error instanceof Error ? (error.stack ?? error.message) : String(error),
      }),
    )
})
process.on('disconnect', () => process.exit(0))
process.send?.({ is: 'ready' })
