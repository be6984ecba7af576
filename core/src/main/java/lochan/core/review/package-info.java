/** Looking back on competition days: what was forecast and what came of it. */
package lochan.core.review;
