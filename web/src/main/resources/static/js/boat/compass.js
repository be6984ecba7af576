// The phone's compass: where the phone points, from true north as far as the phone knows it.
export class Compass {
  get isThere() {
    return 'DeviceOrientationEvent' in window;
  }

  /** Degrees from north, or null when the phone gives none within two seconds. */
  async heading() {
    const asks = window.DeviceOrientationEvent.requestPermission;
    if (asks && (await asks.call(window.DeviceOrientationEvent)) !== 'granted') return null;
    return new Promise((tell) => {
      const names = ['deviceorientationabsolute', 'deviceorientation'];
      const end = (degrees) => {
        for (const name of names) window.removeEventListener(name, read);
        tell(degrees);
      };
      const read = ({ webkitCompassHeading, absolute, alpha }) => {
        if (webkitCompassHeading !== undefined) end(webkitCompassHeading);
        else if (absolute && alpha !== null) end((360 - alpha) % 360);
      };
      for (const name of names) window.addEventListener(name, read);
      setTimeout(end, 2000, null);
    });
  }
}
