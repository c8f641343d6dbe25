'use client'

import { createContext, useContext } from 'react'

/** Opens the file picker of FileImport, which is above every part of the screen. */
export const ChooseFile = createContext<() => void>(() => undefined)

export const useChooseFile = (): (() => void) => useContext(ChooseFile)
