/** Needs that are dragged along a line, and where they can be let go; the first asks for nothing. */
export const NEED_STEPS = {
  vcpu: [0, 1, 2, 3, 4, 6, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192, 256],
  memory: [0, 1, 2, 4, 6, 8, 12, 16, 24, 32, 48, 64, 96, 128, 192, 256, 384, 512, 1_024, 2_048],
} as const

export type DraggedNeed = keyof typeof NEED_STEPS
