export {
  admittanceOf,
  newAdmittance,
  WAVES,
  type Admittance,
  type Analysis,
  type Component,
  type Wave,
} from './components'
export { coupleRectifiers } from './rectifiers'
export { solveCircuit, updateResistances, updateSources, type Solution } from './solve'
export {
  conductanceChanges,
  portBetween,
  portResistanceChange,
  portVoltageChange,
  type ConductanceChange,
  type Port,
} from './port'
export { ampsThrough, dcVoltsBetween, voltsBetween } from './quantities'
export { writeNetlist } from './netlist'
