import { Board } from '@/ui/board/Board'

export default function Page() {
  return <Board />
}
