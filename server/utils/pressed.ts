import { promisify } from 'node:util'
import { brotliCompress, constants } from 'node:zlib'
import { getRequestHeader, setResponseHeaders, type H3Event } from 'h3'

const press = promisify(brotliCompress)

/** An answer that many ask for is written out and pressed once, beside the thread that answers. */
export class PressedAnswer {
  private last: { token: string; bytes: Promise<Buffer> } | null = null

  /** The answer as this request takes it: pressed, or as it is where it takes nothing pressed. */
  async to<T extends { token: string }>(event: H3Event, answer: T): Promise<T | Buffer> {
    const takes = String(getRequestHeader(event, 'accept-encoding') ?? '')
    if (!/\bbr\b(?!\s*;\s*q=0(\.0*)?\s*(,|$))/.test(takes)) return answer
    if (this.last?.token !== answer.token) {
      const json = Buffer.from(JSON.stringify(answer))
      const params = { [constants.BROTLI_PARAM_QUALITY]: 4, [constants.BROTLI_PARAM_SIZE_HINT]: json.length }
      this.last = { token: answer.token, bytes: press(json, { params }) }
    }
    const bytes = await this.last.bytes
    setResponseHeaders(event, {
      'content-type': 'application/json',
      'content-encoding': 'br',
      'vary': 'accept-encoding',
    })
    return bytes
  }
}
