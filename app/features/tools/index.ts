export { default as AnyTool } from './components/AnyTool.vue'
export { default as ToolList } from './components/ToolList.vue'
export { default as ToolPanel } from './components/ToolPanel.vue'
export { titleOfTool } from './which-tool'
