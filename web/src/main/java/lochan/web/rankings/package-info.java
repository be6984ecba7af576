/** Ranking: what practice says of each spot and presentation, with the evidence behind it. */
package lochan.web.rankings;
