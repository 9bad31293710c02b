import type { Kind } from './contract'
import { spec as acSupplySpec } from './ac-supply/spec'
import { physics as acSupplyPhysics } from './ac-supply/physics'
import { trade as acSupplyTrade } from './ac-supply/trade'
import { spec as dcSupplySpec } from './dc-supply/spec'
import { physics as dcSupplyPhysics } from './dc-supply/physics'
import { trade as dcSupplyTrade } from './dc-supply/trade'
import { spec as isolatorSpec } from './isolator/spec'
import { physics as isolatorPhysics } from './isolator/physics'
import { trade as isolatorTrade } from './isolator/trade'
import { spec as fuseSpec } from './fuse/spec'
import { physics as fusePhysics } from './fuse/physics'
import { trade as fuseTrade } from './fuse/trade'
import { spec as switchSpec } from './switch/spec'
import { physics as switchPhysics } from './switch/physics'
import { trade as switchTrade } from './switch/trade'
import { spec as wireSpec } from './wire/spec'
import { physics as wirePhysics } from './wire/physics'
import { trade as wireTrade } from './wire/trade'
import { spec as connectorSpec } from './connector/spec'
import { physics as connectorPhysics } from './connector/physics'
import { trade as connectorTrade } from './connector/trade'
import { spec as resistorSpec } from './resistor/spec'
import { physics as resistorPhysics } from './resistor/physics'
import { trade as resistorTrade } from './resistor/trade'
import { spec as transformerSpec } from './transformer/spec'
import { physics as transformerPhysics } from './transformer/physics'
import { trade as transformerTrade } from './transformer/trade'
import { spec as rectifierSpec } from './rectifier/spec'
import { physics as rectifierPhysics } from './rectifier/physics'
import { trade as rectifierTrade } from './rectifier/trade'
import { spec as boardSpec } from './board/spec'
import { physics as boardPhysics } from './board/physics'
import { trade as boardTrade } from './board/trade'
import { spec as senseInputSpec } from './sense-input/spec'
import { physics as senseInputPhysics } from './sense-input/physics'
import { trade as senseInputTrade } from './sense-input/trade'
import { spec as analogInputSpec } from './analog-input/spec'
import { physics as analogInputPhysics } from './analog-input/physics'
import { trade as analogInputTrade } from './analog-input/trade'
import { spec as pressureSensorSpec } from './pressure-sensor/spec'
import { physics as pressureSensorPhysics } from './pressure-sensor/physics'
import { trade as pressureSensorTrade } from './pressure-sensor/trade'
import { spec as airTubeSpec } from './air-tube/spec'
import { physics as airTubePhysics } from './air-tube/physics'
import { trade as airTubeTrade } from './air-tube/trade'
import { spec as floatSwitchSpec } from './float-switch/spec'
import { physics as floatSwitchPhysics } from './float-switch/physics'
import { trade as floatSwitchTrade } from './float-switch/trade'
import { spec as probeSpec } from './probe/spec'
import { physics as probePhysics } from './probe/physics'
import { trade as probeTrade } from './probe/trade'
import { spec as thermostatSpec } from './thermostat/spec'
import { physics as thermostatPhysics } from './thermostat/physics'
import { trade as thermostatTrade } from './thermostat/trade'
import { spec as cutOutSpec } from './cut-out/spec'
import { physics as cutOutPhysics } from './cut-out/physics'
import { trade as cutOutTrade } from './cut-out/trade'
import { spec as outputSpec } from './output/spec'
import { physics as outputPhysics } from './output/physics'
import { trade as outputTrade } from './output/trade'
import { spec as relaySpec } from './relay/spec'
import { physics as relayPhysics } from './relay/physics'
import { trade as relayTrade } from './relay/trade'
import { spec as timerRelaySpec } from './timer-relay/spec'
import { physics as timerRelayPhysics } from './timer-relay/physics'
import { trade as timerRelayTrade } from './timer-relay/trade'
import { spec as motorSpec } from './motor/spec'
import { physics as motorPhysics } from './motor/physics'
import { trade as motorTrade } from './motor/trade'
import { spec as heaterSpec } from './heater/spec'
import { physics as heaterPhysics } from './heater/physics'
import { trade as heaterTrade } from './heater/trade'
import { spec as solenoidValveSpec } from './solenoid-valve/spec'
import { physics as solenoidValvePhysics } from './solenoid-valve/physics'
import { trade as solenoidValveTrade } from './solenoid-valve/trade'
import { spec as pilotValveSpec } from './pilot-valve/spec'
import { physics as pilotValvePhysics } from './pilot-valve/physics'
import { trade as pilotValveTrade } from './pilot-valve/trade'
import { spec as pumpSpec } from './pump/spec'
import { physics as pumpPhysics } from './pump/physics'
import { trade as pumpTrade } from './pump/trade'
import { spec as waterSupplySpec } from './water-supply/spec'
import { physics as waterSupplyPhysics } from './water-supply/physics'
import { trade as waterSupplyTrade } from './water-supply/trade'
import { spec as stopSpec } from './stop/spec'
import { physics as stopPhysics } from './stop/physics'
import { trade as stopTrade } from './stop/trade'
import { spec as hoseSpec } from './hose/spec'
import { physics as hosePhysics } from './hose/physics'
import { trade as hoseTrade } from './hose/trade'
import { spec as screenSpec } from './screen/spec'
import { physics as screenPhysics } from './screen/physics'
import { trade as screenTrade } from './screen/trade'
import { spec as vesselSpec } from './vessel/spec'
import { physics as vesselPhysics } from './vessel/physics'
import { trade as vesselTrade } from './vessel/trade'
import { spec as wasteSpec } from './waste/spec'
import { physics as wastePhysics } from './waste/physics'
import { trade as wasteTrade } from './waste/trade'
import { spec as thermistorSpec } from './thermistor/spec'
import { physics as thermistorPhysics } from './thermistor/physics'
import { trade as thermistorTrade } from './thermistor/trade'
import { spec as temperatureInputSpec } from './temperature-input/spec'
import { physics as temperatureInputPhysics } from './temperature-input/physics'
import { trade as temperatureInputTrade } from './temperature-input/trade'
import { spec as latchingValveSpec } from './latching-valve/spec'
import { physics as latchingValvePhysics } from './latching-valve/physics'
import { trade as latchingValveTrade } from './latching-valve/trade'
import { spec as pulseOutputSpec } from './pulse-output/spec'
import { physics as pulseOutputPhysics } from './pulse-output/physics'
import { trade as pulseOutputTrade } from './pulse-output/trade'
import { spec as pressureSwitchSpec } from './pressure-switch/spec'
import { physics as pressureSwitchPhysics } from './pressure-switch/physics'
import { trade as pressureSwitchTrade } from './pressure-switch/trade'
import { spec as frequencySensorSpec } from './frequency-sensor/spec'
import { physics as frequencySensorPhysics } from './frequency-sensor/physics'
import { trade as frequencySensorTrade } from './frequency-sensor/trade'
import { spec as frequencyInputSpec } from './frequency-input/spec'
import { physics as frequencyInputPhysics } from './frequency-input/physics'
import { trade as frequencyInputTrade } from './frequency-input/trade'
import { spec as pipeRunSpec } from './pipe-run/spec'
import { physics as pipeRunPhysics } from './pipe-run/physics'
import { trade as pipeRunTrade } from './pipe-run/trade'
import { spec as lampSpec } from './lamp/spec'
import { physics as lampPhysics } from './lamp/physics'
import { trade as lampTrade } from './lamp/trade'
import { spec as gasValveSpec } from './gas-valve/spec'
import { physics as gasValvePhysics } from './gas-valve/physics'
import { trade as gasValveTrade } from './gas-valve/trade'
import { spec as evaporatorSpec } from './evaporator/spec'
import { physics as evaporatorPhysics } from './evaporator/physics'
import { trade as evaporatorTrade } from './evaporator/trade'
import { spec as flowMeterSpec } from './flow-meter/spec'
import { physics as flowMeterPhysics } from './flow-meter/physics'
import { trade as flowMeterTrade } from './flow-meter/trade'
import { spec as countInputSpec } from './count-input/spec'
import { physics as countInputPhysics } from './count-input/physics'
import { trade as countInputTrade } from './count-input/trade'
import { spec as leakSpec } from './leak/spec'
import { physics as leakPhysics } from './leak/physics'
import { trade as leakTrade } from './leak/trade'

/** Every kind of part, in the order in which parts react. Sheets name them by `id`; the engine names none. */
export const KINDS: readonly Kind[] = [
  { ...acSupplySpec, ...acSupplyPhysics, ...acSupplyTrade },
  { ...dcSupplySpec, ...dcSupplyPhysics, ...dcSupplyTrade },
  { ...isolatorSpec, ...isolatorPhysics, ...isolatorTrade },
  { ...fuseSpec, ...fusePhysics, ...fuseTrade },
  { ...switchSpec, ...switchPhysics, ...switchTrade },
  { ...wireSpec, ...wirePhysics, ...wireTrade },
  { ...connectorSpec, ...connectorPhysics, ...connectorTrade },
  { ...resistorSpec, ...resistorPhysics, ...resistorTrade },
  { ...transformerSpec, ...transformerPhysics, ...transformerTrade },
  { ...rectifierSpec, ...rectifierPhysics, ...rectifierTrade },
  { ...boardSpec, ...boardPhysics, ...boardTrade },
  { ...senseInputSpec, ...senseInputPhysics, ...senseInputTrade },
  { ...analogInputSpec, ...analogInputPhysics, ...analogInputTrade },
  { ...pressureSensorSpec, ...pressureSensorPhysics, ...pressureSensorTrade },
  { ...airTubeSpec, ...airTubePhysics, ...airTubeTrade },
  { ...pressureSwitchSpec, ...pressureSwitchPhysics, ...pressureSwitchTrade },
  { ...frequencySensorSpec, ...frequencySensorPhysics, ...frequencySensorTrade },
  { ...frequencyInputSpec, ...frequencyInputPhysics, ...frequencyInputTrade },
  { ...countInputSpec, ...countInputPhysics, ...countInputTrade },
  { ...floatSwitchSpec, ...floatSwitchPhysics, ...floatSwitchTrade },
  { ...probeSpec, ...probePhysics, ...probeTrade },
  { ...thermistorSpec, ...thermistorPhysics, ...thermistorTrade },
  { ...temperatureInputSpec, ...temperatureInputPhysics, ...temperatureInputTrade },
  { ...thermostatSpec, ...thermostatPhysics, ...thermostatTrade },
  { ...cutOutSpec, ...cutOutPhysics, ...cutOutTrade },
  { ...outputSpec, ...outputPhysics, ...outputTrade },
  { ...pulseOutputSpec, ...pulseOutputPhysics, ...pulseOutputTrade },
  { ...relaySpec, ...relayPhysics, ...relayTrade },
  { ...timerRelaySpec, ...timerRelayPhysics, ...timerRelayTrade },
  { ...motorSpec, ...motorPhysics, ...motorTrade },
  { ...heaterSpec, ...heaterPhysics, ...heaterTrade },
  { ...lampSpec, ...lampPhysics, ...lampTrade },
  { ...solenoidValveSpec, ...solenoidValvePhysics, ...solenoidValveTrade },
  { ...pilotValveSpec, ...pilotValvePhysics, ...pilotValveTrade },
  { ...latchingValveSpec, ...latchingValvePhysics, ...latchingValveTrade },
  { ...gasValveSpec, ...gasValvePhysics, ...gasValveTrade },
  { ...pumpSpec, ...pumpPhysics, ...pumpTrade },
  { ...waterSupplySpec, ...waterSupplyPhysics, ...waterSupplyTrade },
  { ...stopSpec, ...stopPhysics, ...stopTrade },
  { ...hoseSpec, ...hosePhysics, ...hoseTrade },
  { ...screenSpec, ...screenPhysics, ...screenTrade },
  { ...pipeRunSpec, ...pipeRunPhysics, ...pipeRunTrade },
  { ...leakSpec, ...leakPhysics, ...leakTrade },
  { ...flowMeterSpec, ...flowMeterPhysics, ...flowMeterTrade },
  { ...vesselSpec, ...vesselPhysics, ...vesselTrade },
  { ...evaporatorSpec, ...evaporatorPhysics, ...evaporatorTrade },
  { ...wasteSpec, ...wastePhysics, ...wasteTrade },
]

const BY_ID = new Map(KINDS.map((k) => [k.id, k]))

export const findKind = (id: string): Kind | undefined => BY_ID.get(id)

export type * from './contract'
