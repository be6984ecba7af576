// What the map takes from packages, bundled into one module that the application serves.
export { select } from 'd3-selection';
export { zoom, zoomIdentity } from 'd3-zoom';
