import { expect, it } from 'vitest'
import { sendPictures } from '@/places/stores/faults/pictures'

const picture = (name: string) => new File(['x'], name)

it('sends each picture to its fault and goes on after one that is refused', async () => {
  const sent: string[] = []
  const send = async (fault: number, file: File) => {
    if (file.name === 'huge.png') throw new Error('This picture is too large.')
    sent.push(`${file.name} to ${fault}`)
    return { message: '', id: 1 } as never
  }
  const pictures = { U1: picture('huge.png'), BZ1: picture('leg.png'), R1: picture('of-no-fault.png') }
  const refused = await sendPictures({ U1: 7, BZ1: 8 }, pictures, send)
  expect(sent).toEqual(['leg.png to 8'])
  expect(refused).toEqual(['The picture of U1 was not added: This picture is too large.'])
})
