// How often something is asked for again; the server answers "nothing new" for almost nothing.
export const USUAL_MS = 4000
const WHILE_JUDGED_MS = 700

/** Sooner while something is being judged: its findings are a moment away. */
export function soonWhileJudged(judging: boolean | undefined): number {
  return judging ? WHILE_JUDGED_MS : USUAL_MS
}
