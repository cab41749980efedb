export { type Box, type MapCard, mapDrawing, type MapLine, type Route, routeLines, type Side } from './drawing'
