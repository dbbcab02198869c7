/** The benchmarks: ratios in one run, never timed tests. */
package markturn.bench;
