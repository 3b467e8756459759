import type { SideAnswer } from '@peen/core/grade'
import type { Criterion } from '@peen/core/standard'

/** An answer on a grading sheet in a few words, lengths in mm. */
export function sayAnswer({ how }: Criterion, answer: SideAnswer | null): string {
  if (answer === null) return 'not answered'
  switch (answer.kind) {
    case 'asItShouldBe':
      return 'as it should be'
    case 'readings':
      return `${answer.mm.join(', ')} mm`
    case 'inputs':
      return `${Object.values(answer.values).join(', ')} mm`
    case 'level':
      return how.kind === 'judged' ? `${answer.level}, ${how.levels[answer.level] ?? ''}` : String(answer.level)
    case 'excused':
      return `like this on arrival: ${answer.reason}`
    case 'instructor':
      return 'finished by the instructor'
    case 'picture':
      return `${answer.value} from the picture`
    case 'overruled':
      return `${sayAnswer({ how } as Criterion, answer.instead)}, and not what the picture says`
  }
}
