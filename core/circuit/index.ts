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
export {
  ampsThrough,
  dcVoltsBetween,
  portAt,
  portChange,
  refreshResistances,
  refreshSources,
  solveCircuit,
  voltsBetween,
  type Port,
  type Solution,
} from './solve'
export { writeNetlist } from './netlist'
