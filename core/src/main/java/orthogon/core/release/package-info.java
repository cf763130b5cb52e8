/**
 * What a release waits for: the gate, and the waivers that open it. Decides from claims that are decided already; keeps nothing, and
 * knows neither people's rights nor stored releases.
 */
package orthogon.core.release;
