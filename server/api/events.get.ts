import { createEventStream } from 'h3'
import { theHouse } from '../house/theHouse'
import { answer } from '../utils/handler'
import { keepOpen } from '../utils/streams'

/** Connections are dropped where nothing passes for long; and a new day comes without anything written. */
const SAY_AGAIN_MS = 25_000

/** Says the name of the house each time that it changes, to every window that listens. */
export default answer(async event => {
  const { session, changes } = await theHouse()
  const stream = createEventStream(event)
  const say = () => {
    stream.push(changes.token).catch(() => undefined)
  }
  const stopListening = session.onChange(say)
  const again = setInterval(say, SAY_AGAIN_MS)
  const letGo = keepOpen(() => stream.close())
  stream.onClosed(() => {
    stopListening()
    clearInterval(again)
    letGo()
  })
  say()
  return stream.send()
})
