// Written by `npm run indexes` from the folders beside it. Not to be changed by hand.
import type { Kind } from './contract'
import { kindInterface as acSupplyInterface } from './ac-supply/interface'
import { kindBehaviour as acSupplyBehaviour } from './ac-supply/behaviour'
import { kindService as acSupplyService } from './ac-supply/service'
import { kindInterface as airTubeInterface } from './air-tube/interface'
import { kindBehaviour as airTubeBehaviour } from './air-tube/behaviour'
import { kindService as airTubeService } from './air-tube/service'
import { kindInterface as analogInputInterface } from './analog-input/interface'
import { kindBehaviour as analogInputBehaviour } from './analog-input/behaviour'
import { kindService as analogInputService } from './analog-input/service'
import { kindInterface as boardInterface } from './board/interface'
import { kindBehaviour as boardBehaviour } from './board/behaviour'
import { kindService as boardService } from './board/service'
import { kindInterface as bulbValveInterface } from './bulb-valve/interface'
import { kindBehaviour as bulbValveBehaviour } from './bulb-valve/behaviour'
import { kindService as bulbValveService } from './bulb-valve/service'
import { kindInterface as buttonInterface } from './button/interface'
import { kindBehaviour as buttonBehaviour } from './button/behaviour'
import { kindService as buttonService } from './button/service'
import { kindInterface as condenserInterface } from './condenser/interface'
import { kindBehaviour as condenserBehaviour } from './condenser/behaviour'
import { kindService as condenserService } from './condenser/service'
import { kindInterface as connectorInterface } from './connector/interface'
import { kindBehaviour as connectorBehaviour } from './connector/behaviour'
import { kindService as connectorService } from './connector/service'
import { kindInterface as countInputInterface } from './count-input/interface'
import { kindBehaviour as countInputBehaviour } from './count-input/behaviour'
import { kindService as countInputService } from './count-input/service'
import { kindInterface as cutOutInterface } from './cut-out/interface'
import { kindBehaviour as cutOutBehaviour } from './cut-out/behaviour'
import { kindService as cutOutService } from './cut-out/service'
import { kindInterface as dcSupplyInterface } from './dc-supply/interface'
import { kindBehaviour as dcSupplyBehaviour } from './dc-supply/behaviour'
import { kindService as dcSupplyService } from './dc-supply/service'
import { kindInterface as endSwitchInterface } from './end-switch/interface'
import { kindBehaviour as endSwitchBehaviour } from './end-switch/behaviour'
import { kindService as endSwitchService } from './end-switch/service'
import { kindInterface as evaporatorInterface } from './evaporator/interface'
import { kindBehaviour as evaporatorBehaviour } from './evaporator/behaviour'
import { kindService as evaporatorService } from './evaporator/service'
import { kindInterface as floatSwitchInterface } from './float-switch/interface'
import { kindBehaviour as floatSwitchBehaviour } from './float-switch/behaviour'
import { kindService as floatSwitchService } from './float-switch/service'
import { kindInterface as floatValveInterface } from './float-valve/interface'
import { kindBehaviour as floatValveBehaviour } from './float-valve/behaviour'
import { kindService as floatValveService } from './float-valve/service'
import { kindInterface as flowMeterInterface } from './flow-meter/interface'
import { kindBehaviour as flowMeterBehaviour } from './flow-meter/behaviour'
import { kindService as flowMeterService } from './flow-meter/service'
import { kindInterface as flowSwitchInterface } from './flow-switch/interface'
import { kindBehaviour as flowSwitchBehaviour } from './flow-switch/behaviour'
import { kindService as flowSwitchService } from './flow-switch/service'
import { kindInterface as frequencyInputInterface } from './frequency-input/interface'
import { kindBehaviour as frequencyInputBehaviour } from './frequency-input/behaviour'
import { kindService as frequencyInputService } from './frequency-input/service'
import { kindInterface as frequencySensorInterface } from './frequency-sensor/interface'
import { kindBehaviour as frequencySensorBehaviour } from './frequency-sensor/behaviour'
import { kindService as frequencySensorService } from './frequency-sensor/service'
import { kindInterface as fuseInterface } from './fuse/interface'
import { kindBehaviour as fuseBehaviour } from './fuse/behaviour'
import { kindService as fuseService } from './fuse/service'
import { kindInterface as gasBurnerInterface } from './gas-burner/interface'
import { kindBehaviour as gasBurnerBehaviour } from './gas-burner/behaviour'
import { kindService as gasBurnerService } from './gas-burner/service'
import { kindInterface as gasValveInterface } from './gas-valve/interface'
import { kindBehaviour as gasValveBehaviour } from './gas-valve/behaviour'
import { kindService as gasValveService } from './gas-valve/service'
import { kindInterface as heaterInterface } from './heater/interface'
import { kindBehaviour as heaterBehaviour } from './heater/behaviour'
import { kindService as heaterService } from './heater/service'
import { kindInterface as hoseInterface } from './hose/interface'
import { kindBehaviour as hoseBehaviour } from './hose/behaviour'
import { kindService as hoseService } from './hose/service'
import { kindInterface as humidityControlInterface } from './humidity-control/interface'
import { kindBehaviour as humidityControlBehaviour } from './humidity-control/behaviour'
import { kindService as humidityControlService } from './humidity-control/service'
import { kindInterface as insulationInterface } from './insulation/interface'
import { kindBehaviour as insulationBehaviour } from './insulation/behaviour'
import { kindService as insulationService } from './insulation/service'
import { kindInterface as isolatorInterface } from './isolator/interface'
import { kindBehaviour as isolatorBehaviour } from './isolator/behaviour'
import { kindService as isolatorService } from './isolator/service'
import { kindInterface as lampInterface } from './lamp/interface'
import { kindBehaviour as lampBehaviour } from './lamp/behaviour'
import { kindService as lampService } from './lamp/service'
import { kindInterface as latchingRelayInterface } from './latching-relay/interface'
import { kindBehaviour as latchingRelayBehaviour } from './latching-relay/behaviour'
import { kindService as latchingRelayService } from './latching-relay/service'
import { kindInterface as latchingValveInterface } from './latching-valve/interface'
import { kindBehaviour as latchingValveBehaviour } from './latching-valve/behaviour'
import { kindService as latchingValveService } from './latching-valve/service'
import { kindInterface as leakInterface } from './leak/interface'
import { kindBehaviour as leakBehaviour } from './leak/behaviour'
import { kindService as leakService } from './leak/service'
import { kindInterface as motorInterface } from './motor/interface'
import { kindBehaviour as motorBehaviour } from './motor/behaviour'
import { kindService as motorService } from './motor/service'
import { kindInterface as motorValveInterface } from './motor-valve/interface'
import { kindBehaviour as motorValveBehaviour } from './motor-valve/behaviour'
import { kindService as motorValveService } from './motor-valve/service'
import { kindInterface as outputInterface } from './output/interface'
import { kindBehaviour as outputBehaviour } from './output/behaviour'
import { kindService as outputService } from './output/service'
import { kindInterface as overflowPipeInterface } from './overflow-pipe/interface'
import { kindBehaviour as overflowPipeBehaviour } from './overflow-pipe/behaviour'
import { kindService as overflowPipeService } from './overflow-pipe/service'
import { kindInterface as overloadInterface } from './overload/interface'
import { kindBehaviour as overloadBehaviour } from './overload/behaviour'
import { kindService as overloadService } from './overload/service'
import { kindInterface as pilotValveInterface } from './pilot-valve/interface'
import { kindBehaviour as pilotValveBehaviour } from './pilot-valve/behaviour'
import { kindService as pilotValveService } from './pilot-valve/service'
import { kindInterface as pipeRunInterface } from './pipe-run/interface'
import { kindBehaviour as pipeRunBehaviour } from './pipe-run/behaviour'
import { kindService as pipeRunService } from './pipe-run/service'
import { kindInterface as pressureControlInterface } from './pressure-control/interface'
import { kindBehaviour as pressureControlBehaviour } from './pressure-control/behaviour'
import { kindService as pressureControlService } from './pressure-control/service'
import { kindInterface as pressureRegulatorInterface } from './pressure-regulator/interface'
import { kindBehaviour as pressureRegulatorBehaviour } from './pressure-regulator/behaviour'
import { kindService as pressureRegulatorService } from './pressure-regulator/service'
import { kindInterface as pressureSensorInterface } from './pressure-sensor/interface'
import { kindBehaviour as pressureSensorBehaviour } from './pressure-sensor/behaviour'
import { kindService as pressureSensorService } from './pressure-sensor/service'
import { kindInterface as pressureSwitchInterface } from './pressure-switch/interface'
import { kindBehaviour as pressureSwitchBehaviour } from './pressure-switch/behaviour'
import { kindService as pressureSwitchService } from './pressure-switch/service'
import { kindInterface as probeInterface } from './probe/interface'
import { kindBehaviour as probeBehaviour } from './probe/behaviour'
import { kindService as probeService } from './probe/service'
import { kindInterface as pulseOutputInterface } from './pulse-output/interface'
import { kindBehaviour as pulseOutputBehaviour } from './pulse-output/behaviour'
import { kindService as pulseOutputService } from './pulse-output/service'
import { kindInterface as pumpInterface } from './pump/interface'
import { kindBehaviour as pumpBehaviour } from './pump/behaviour'
import { kindService as pumpService } from './pump/service'
import { kindInterface as rectifierInterface } from './rectifier/interface'
import { kindBehaviour as rectifierBehaviour } from './rectifier/behaviour'
import { kindService as rectifierService } from './rectifier/service'
import { kindInterface as relayInterface } from './relay/interface'
import { kindBehaviour as relayBehaviour } from './relay/behaviour'
import { kindService as relayService } from './relay/service'
import { kindInterface as reliefValveInterface } from './relief-valve/interface'
import { kindBehaviour as reliefValveBehaviour } from './relief-valve/behaviour'
import { kindService as reliefValveService } from './relief-valve/service'
import { kindInterface as resistorInterface } from './resistor/interface'
import { kindBehaviour as resistorBehaviour } from './resistor/behaviour'
import { kindService as resistorService } from './resistor/service'
import { kindInterface as saltsInterface } from './salts/interface'
import { kindBehaviour as saltsBehaviour } from './salts/behaviour'
import { kindService as saltsService } from './salts/service'
import { kindInterface as scheduleInterface } from './schedule/interface'
import { kindBehaviour as scheduleBehaviour } from './schedule/behaviour'
import { kindService as scheduleService } from './schedule/service'
import { kindInterface as screenInterface } from './screen/interface'
import { kindBehaviour as screenBehaviour } from './screen/behaviour'
import { kindService as screenService } from './screen/service'
import { kindInterface as senseInputInterface } from './sense-input/interface'
import { kindBehaviour as senseInputBehaviour } from './sense-input/behaviour'
import { kindService as senseInputService } from './sense-input/service'
import { kindInterface as sheathedElementInterface } from './sheathed-element/interface'
import { kindBehaviour as sheathedElementBehaviour } from './sheathed-element/behaviour'
import { kindService as sheathedElementService } from './sheathed-element/service'
import { kindInterface as solenoidValveInterface } from './solenoid-valve/interface'
import { kindBehaviour as solenoidValveBehaviour } from './solenoid-valve/behaviour'
import { kindService as solenoidValveService } from './solenoid-valve/service'
import { kindInterface as steamPipeInterface } from './steam-pipe/interface'
import { kindBehaviour as steamPipeBehaviour } from './steam-pipe/behaviour'
import { kindService as steamPipeService } from './steam-pipe/service'
import { kindInterface as steamRoomInterface } from './steam-room/interface'
import { kindBehaviour as steamRoomBehaviour } from './steam-room/behaviour'
import { kindService as steamRoomService } from './steam-room/service'
import { kindInterface as stopInterface } from './stop/interface'
import { kindBehaviour as stopBehaviour } from './stop/behaviour'
import { kindService as stopService } from './stop/service'
import { kindInterface as switchInterface } from './switch/interface'
import { kindBehaviour as switchBehaviour } from './switch/behaviour'
import { kindService as switchService } from './switch/service'
import { kindInterface as temperatureInputInterface } from './temperature-input/interface'
import { kindBehaviour as temperatureInputBehaviour } from './temperature-input/behaviour'
import { kindService as temperatureInputService } from './temperature-input/service'
import { kindInterface as thermistorInterface } from './thermistor/interface'
import { kindBehaviour as thermistorBehaviour } from './thermistor/behaviour'
import { kindService as thermistorService } from './thermistor/service'
import { kindInterface as thermostatInterface } from './thermostat/interface'
import { kindBehaviour as thermostatBehaviour } from './thermostat/behaviour'
import { kindService as thermostatService } from './thermostat/service'
import { kindInterface as timerRelayInterface } from './timer-relay/interface'
import { kindBehaviour as timerRelayBehaviour } from './timer-relay/behaviour'
import { kindService as timerRelayService } from './timer-relay/service'
import { kindInterface as transformerInterface } from './transformer/interface'
import { kindBehaviour as transformerBehaviour } from './transformer/behaviour'
import { kindService as transformerService } from './transformer/service'
import { kindInterface as vesselInterface } from './vessel/interface'
import { kindBehaviour as vesselBehaviour } from './vessel/behaviour'
import { kindService as vesselService } from './vessel/service'
import { kindInterface as wasteInterface } from './waste/interface'
import { kindBehaviour as wasteBehaviour } from './waste/behaviour'
import { kindService as wasteService } from './waste/service'
import { kindInterface as waterSupplyInterface } from './water-supply/interface'
import { kindBehaviour as waterSupplyBehaviour } from './water-supply/behaviour'
import { kindService as waterSupplyService } from './water-supply/service'
import { kindInterface as wireInterface } from './wire/interface'
import { kindBehaviour as wireBehaviour } from './wire/behaviour'
import { kindService as wireService } from './wire/service'

/** Every kind of part. Sheets name them by `id`; the engine names none. */
export const KINDS: readonly Kind[] = [
  { ...acSupplyInterface, ...acSupplyBehaviour, ...acSupplyService },
  { ...airTubeInterface, ...airTubeBehaviour, ...airTubeService },
  { ...analogInputInterface, ...analogInputBehaviour, ...analogInputService },
  { ...boardInterface, ...boardBehaviour, ...boardService },
  { ...bulbValveInterface, ...bulbValveBehaviour, ...bulbValveService },
  { ...buttonInterface, ...buttonBehaviour, ...buttonService },
  { ...condenserInterface, ...condenserBehaviour, ...condenserService },
  { ...connectorInterface, ...connectorBehaviour, ...connectorService },
  { ...countInputInterface, ...countInputBehaviour, ...countInputService },
  { ...cutOutInterface, ...cutOutBehaviour, ...cutOutService },
  { ...dcSupplyInterface, ...dcSupplyBehaviour, ...dcSupplyService },
  { ...endSwitchInterface, ...endSwitchBehaviour, ...endSwitchService },
  { ...evaporatorInterface, ...evaporatorBehaviour, ...evaporatorService },
  { ...floatSwitchInterface, ...floatSwitchBehaviour, ...floatSwitchService },
  { ...floatValveInterface, ...floatValveBehaviour, ...floatValveService },
  { ...flowMeterInterface, ...flowMeterBehaviour, ...flowMeterService },
  { ...flowSwitchInterface, ...flowSwitchBehaviour, ...flowSwitchService },
  { ...frequencyInputInterface, ...frequencyInputBehaviour, ...frequencyInputService },
  { ...frequencySensorInterface, ...frequencySensorBehaviour, ...frequencySensorService },
  { ...fuseInterface, ...fuseBehaviour, ...fuseService },
  { ...gasBurnerInterface, ...gasBurnerBehaviour, ...gasBurnerService },
  { ...gasValveInterface, ...gasValveBehaviour, ...gasValveService },
  { ...heaterInterface, ...heaterBehaviour, ...heaterService },
  { ...hoseInterface, ...hoseBehaviour, ...hoseService },
  { ...humidityControlInterface, ...humidityControlBehaviour, ...humidityControlService },
  { ...insulationInterface, ...insulationBehaviour, ...insulationService },
  { ...isolatorInterface, ...isolatorBehaviour, ...isolatorService },
  { ...lampInterface, ...lampBehaviour, ...lampService },
  { ...latchingRelayInterface, ...latchingRelayBehaviour, ...latchingRelayService },
  { ...latchingValveInterface, ...latchingValveBehaviour, ...latchingValveService },
  { ...leakInterface, ...leakBehaviour, ...leakService },
  { ...motorInterface, ...motorBehaviour, ...motorService },
  { ...motorValveInterface, ...motorValveBehaviour, ...motorValveService },
  { ...outputInterface, ...outputBehaviour, ...outputService },
  { ...overflowPipeInterface, ...overflowPipeBehaviour, ...overflowPipeService },
  { ...overloadInterface, ...overloadBehaviour, ...overloadService },
  { ...pilotValveInterface, ...pilotValveBehaviour, ...pilotValveService },
  { ...pipeRunInterface, ...pipeRunBehaviour, ...pipeRunService },
  { ...pressureControlInterface, ...pressureControlBehaviour, ...pressureControlService },
  { ...pressureRegulatorInterface, ...pressureRegulatorBehaviour, ...pressureRegulatorService },
  { ...pressureSensorInterface, ...pressureSensorBehaviour, ...pressureSensorService },
  { ...pressureSwitchInterface, ...pressureSwitchBehaviour, ...pressureSwitchService },
  { ...probeInterface, ...probeBehaviour, ...probeService },
  { ...pulseOutputInterface, ...pulseOutputBehaviour, ...pulseOutputService },
  { ...pumpInterface, ...pumpBehaviour, ...pumpService },
  { ...rectifierInterface, ...rectifierBehaviour, ...rectifierService },
  { ...relayInterface, ...relayBehaviour, ...relayService },
  { ...reliefValveInterface, ...reliefValveBehaviour, ...reliefValveService },
  { ...resistorInterface, ...resistorBehaviour, ...resistorService },
  { ...saltsInterface, ...saltsBehaviour, ...saltsService },
  { ...scheduleInterface, ...scheduleBehaviour, ...scheduleService },
  { ...screenInterface, ...screenBehaviour, ...screenService },
  { ...senseInputInterface, ...senseInputBehaviour, ...senseInputService },
  { ...sheathedElementInterface, ...sheathedElementBehaviour, ...sheathedElementService },
  { ...solenoidValveInterface, ...solenoidValveBehaviour, ...solenoidValveService },
  { ...steamPipeInterface, ...steamPipeBehaviour, ...steamPipeService },
  { ...steamRoomInterface, ...steamRoomBehaviour, ...steamRoomService },
  { ...stopInterface, ...stopBehaviour, ...stopService },
  { ...switchInterface, ...switchBehaviour, ...switchService },
  { ...temperatureInputInterface, ...temperatureInputBehaviour, ...temperatureInputService },
  { ...thermistorInterface, ...thermistorBehaviour, ...thermistorService },
  { ...thermostatInterface, ...thermostatBehaviour, ...thermostatService },
  { ...timerRelayInterface, ...timerRelayBehaviour, ...timerRelayService },
  { ...transformerInterface, ...transformerBehaviour, ...transformerService },
  { ...vesselInterface, ...vesselBehaviour, ...vesselService },
  { ...wasteInterface, ...wasteBehaviour, ...wasteService },
  { ...waterSupplyInterface, ...waterSupplyBehaviour, ...waterSupplyService },
  { ...wireInterface, ...wireBehaviour, ...wireService },
]
