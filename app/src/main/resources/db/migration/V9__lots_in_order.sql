-- The lot that left before another of its product and colour is found without reading all of them.
create index lot_in_order on lot (product_id, colour, made_on, id);
