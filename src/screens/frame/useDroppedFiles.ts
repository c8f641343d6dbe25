'use client'

import { useEffect, useRef } from 'react'

/** Files that are dropped anywhere on the page, and whether some are held over it. */
export function useDroppedFiles(
  onFiles: (files: readonly File[]) => void,
  onDragging: (dragging: boolean) => void,
): void {
  const handlers = useRef({ onFiles, onDragging })
  useEffect(() => {
    handlers.current = { onFiles, onDragging }
  })
  useEffect(() => {
    const holdsFiles = (event: DragEvent): boolean => event.dataTransfer?.types.includes('Files') ?? false
    const over = (event: DragEvent): void => {
      if (!holdsFiles(event)) return
      event.preventDefault()
      handlers.current.onDragging(true)
    }
    const leave = (event: DragEvent): void => {
      if (event.relatedTarget === null) handlers.current.onDragging(false)
    }
    const drop = (event: DragEvent): void => {
      if (!holdsFiles(event)) return
      event.preventDefault()
      handlers.current.onDragging(false)
      handlers.current.onFiles([...(event.dataTransfer?.files ?? [])])
    }
    window.addEventListener('dragover', over)
    window.addEventListener('dragleave', leave)
    window.addEventListener('drop', drop)
    return () => {
      window.removeEventListener('dragover', over)
      window.removeEventListener('dragleave', leave)
      window.removeEventListener('drop', drop)
    }
  }, [])
}
