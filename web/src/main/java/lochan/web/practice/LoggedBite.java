package lochan.web.practice;

import lochan.core.practice.Bite;

/** A bite with the code of its record. */
record LoggedBite(String code, Bite bite) {}
