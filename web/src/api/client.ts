import createClient from 'openapi-fetch'
import type { components, paths } from './generated'

export type Schemas = components['schemas']
export type View = Schemas['View']
export type CallCard = Schemas['CallCard']
export type TrayStrip = Schemas['TrayStrip']
export type Pip = Schemas['Pip']
export type UnitRow = Schemas['UnitRow']

/** What the server said is wrong; `status` 0 means that it was not reached. */
export class Complaint extends Error {
  constructor(
    readonly status: number,
    readonly complaints: string[],
  ) {
    super(complaints.join(' '))
  }
}

function csrf(): string {
  return /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? ''
}

export const client = createClient<paths>({ baseUrl: '/' })
client.use({
  onRequest({ request }) {
    request.headers.set('X-CSRFToken', csrf())
    return request
  },
})

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The data of an answer, or a Complaint. */
export async function told<T>(asked: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await asked
  } catch {
    throw new Complaint(0, ['The server does not answer. What you did is kept; it is tried again.'])
  }
  if (answer.response.ok) return answer.data as T
  const said = (answer.error as { complaints?: string[] } | undefined)?.complaints
  const { status } = answer.response
  throw new Complaint(status, said ?? [`The server could not do that (${status}). Try again.`])
}
