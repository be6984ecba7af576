-- The temperature of the well's water, as it was looked at.
ALTER TABLE competition_entry
    ADD COLUMN celsius DOUBLE;
