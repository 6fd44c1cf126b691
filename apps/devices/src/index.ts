export { Link } from './link.js';
export { DELTA, stationWeather, type Climate } from './weather.js';
