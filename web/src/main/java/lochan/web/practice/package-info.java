/** Practice: stops and their bites, presentations, the forecast. */
package lochan.web.practice;
