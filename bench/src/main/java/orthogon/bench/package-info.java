/** Benchmarks, and the generator of the large questionnaires that they prove. Speed is read as ratios within one run. */
package orthogon.bench;
