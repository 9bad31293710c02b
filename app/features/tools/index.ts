export { default as AnyTool } from './components/AnyTool.vue'
export { default as ToolList } from './components/ToolList.vue'
export { titleOfTool } from './which-tool'
