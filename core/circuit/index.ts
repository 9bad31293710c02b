export { admittanceOf, newAdmittance, type Admittance, type Analysis, type Component } from './components'
export {
  ampsThrough,
  dcVoltsBetween,
  portAt,
  portChange,
  refreshSources,
  solveCircuit,
  voltsBetween,
  type Port,
  type Solution,
} from './solve'
export { writeNetlist } from './netlist'
