import { STANDARD, type Calibration } from '../diagnosis/calibration'
import { buildCatalogue } from '../diagnosis/catalogue'
import { Predictor } from '../diagnosis/predict'
import {
  buildMachine,
  withAcceptance,
  withShopHistory,
  type Acceptance,
  type KnownGood,
  type ShopHistory,
} from '../model/machine'
import type { Sheet } from '../model/sheet'
import { Engine } from './engine'

export interface EngineOptions {
  /** What makes a winding good. */
  acceptance?: Acceptance
  /** The shop's readings of good parts, SI, by parameter id. */
  knownGood?: KnownGood
  /** What the shop's closed jobs found. */
  shopHistory?: ShopHistory | undefined
  calibration?: Calibration
}

/** The same machine with another history in the shop: nothing but the rates of its faults is other. */
export function withHistory({ predictor }: Engine, shopHistory: ShopHistory): Engine {
  const { catalogue, calibration } = predictor
  return new Engine(
    new Predictor({ ...catalogue, machine: withShopHistory(catalogue.machine, shopHistory) }, calibration),
  )
}

/** From a sheet to the engine that answers everything about it. Runs the healthy machine once per program. */
export function createEngine(
  sheet: Sheet,
  { acceptance = 'published', knownGood = {}, shopHistory, calibration = STANDARD }: EngineOptions = {},
): Engine {
  const machine = withAcceptance(buildMachine(sheet), acceptance, knownGood)
  const catalogue = buildCatalogue(shopHistory ? withShopHistory(machine, shopHistory) : machine)
  return new Engine(new Predictor(catalogue, calibration))
}
