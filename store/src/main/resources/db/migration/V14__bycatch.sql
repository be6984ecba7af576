-- Fish of species that do not count.
ALTER TABLE stop ADD COLUMN bycatch INT NOT NULL DEFAULT 0;
