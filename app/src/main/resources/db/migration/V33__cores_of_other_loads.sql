-- A cable may lead to several loads at one place: a core names the load that it is the switched live of, where that is not the one of its cable.
alter table box_core add column load_number int null;
