import { client, told, type Schemas, type View } from '../api/client'
import { viewReader } from './viewParts'

export type Command = Schemas['CommandIn']['command']
export type Fact = Schemas['Fact']
export type Recorded = Schemas['Recorded']

const at = (id: number) => ({ path: { muster_id: id } })

/** What goes to the server and back: each but facts answers with the muster's whole view. */
export const transport = {
  view: viewReader(),

  command: (id: number, version: number, command: Command): Promise<View> =>
    told(
      client.POST('/api/musters/{muster_id}/command', {
        params: at(id),
        body: { version, command },
      }),
    ),

  undo: (id: number, version: number): Promise<View> =>
    told(client.POST('/api/musters/{muster_id}/undo', { params: at(id), body: { version } })),

  facts: (id: number, facts: Fact[]): Promise<Recorded> =>
    told(client.POST('/api/musters/{muster_id}/facts', { params: at(id), body: { facts } })),
}
