// The tools that Peen ships.
import type { Tool } from '@peen/core/tools'
import rackData from './rack.json'

export const rack = rackData as readonly Tool[]
