/** A picture is drawn so many times larger than on screen. */
const PNG_SCALE = 2

interface Picture {
  readonly name: string
  readonly data: string | Uint8Array<ArrayBuffer>
}

/** The charts of a page as pictures that stand by themselves, by the names of their parts. */
export async function picturesOf(page: HTMLElement, kind: 'svg' | 'png'): Promise<Picture[]> {
  const parts = [...page.querySelectorAll<HTMLElement>('[data-picture]')]
  const pictures: Picture[] = []
  for (const part of parts) {
    const svg = part.querySelector<SVGSVGElement>('svg.recharts-surface')
    if (!svg) continue
    const name = part.dataset.picture ?? 'chart'
    const text = standalone(svg)
    pictures.push({ name, data: kind === 'svg' ? text : await painted(text, svg) })
  }
  return pictures
}

/** Theme colours are variables of the page: they are written out, with the background that they are meant for. */
function standalone(svg: SVGSVGElement): string {
  const style = getComputedStyle(svg)
  const { width, height } = svg.getBoundingClientRect()
  const copy = svg.cloneNode(true) as SVGSVGElement
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(Math.round(width)))
  copy.setAttribute('height', String(Math.round(height)))
  copy.setAttribute('font-family', 'sans-serif')
  const background = document.createElementNS('http://www.w3.org/2000/svg', 'rect')
  background.setAttribute('width', '100%')
  background.setAttribute('height', '100%')
  background.setAttribute('fill', 'var(--sheet)')
  copy.prepend(background)
  return new XMLSerializer()
    .serializeToString(copy)
    .replace(/var\((--[a-z0-9-]+)\)/g, (_, name: string) => style.getPropertyValue(name).trim() || '#000')
}

async function painted(text: string, svg: SVGSVGElement): Promise<Uint8Array<ArrayBuffer>> {
  const { width, height } = svg.getBoundingClientRect()
  const image = new Image()
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(text)}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(width * PNG_SCALE)
  canvas.height = Math.round(height * PNG_SCALE)
  const context = canvas.getContext('2d')
  if (!context) throw new Error('This browser cannot draw pictures.')
  context.drawImage(image, 0, 0, canvas.width, canvas.height)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (!blob) throw new Error('This browser cannot write PNG.')
  return new Uint8Array(await blob.arrayBuffer())
}
