// Words that ISO SQL, MariaDB, PostgreSQL or SQLite keep for themselves, so that every tool can read
// the database without quoting. One line per first letter.
const words = `
add all alter analyze and any array as asc asensitive authorization
before between bigint binary blob both by
call cascade case cast change char character check collate column condition constraint continue convert create cross
current current_date current_role current_time current_timestamp current_user cursor
database databases date day_hour day_microsecond day_minute day_second dec decimal declare default deferrable delayed
delete desc describe deterministic distinct distinctrow div do domain double drop dual
each else elseif end enclosed escape escaped except exception exec execute exists exit explain external
false fetch filter float float4 float8 for force foreign from full fulltext function
general get glob global grant group grouping
having high_priority hour hour_microsecond hour_minute hour_second
identity if ignore in index infile inner inout insensitive insert int int1 int2 int3 int4 int8 integer intersect interval
into is isnull iterate
join key keys kill language lateral leading leave left level like limit linear lines load local localtime localtimestamp
lock long longblob longtext loop low_priority
match maxvalue mediumblob mediumint mediumtext member merge middleint minute minute_microsecond minute_second mod
modifies module month natural new no not notnull null numeric
of offset old on only open optimize option optionally or order out outer outfile over overlaps
parameter partition period pivot precision primary privileges procedure public purge
range read reads real recursive references regexp release rename repeat replace require resignal restrict result return
returning revoke right rlike role rollback rollup row row_number rows
schema schemas second second_microsecond select sensitive separator sequence session session_user set show similar
slow smallint some spatial specific sql sqlexception sqlstate sqlwarning start starting static stats_auto_recalc
stats_persistent stats_sample_pages straight_join symmetric system system_user
table terminated text then time timestamp timezone_hour timezone_minute tinyblob tinyint tinytext to trailing
transaction trigger true truncate type
undo union unique unknown unlock unsigned update usage use user using utc_date utc_time utc_timestamp
value values varbinary varchar varcharacter varying view when whenever where while window with within without write
xor year year_month zerofill zone
`

export const reservedWords: ReadonlySet<string> = new Set(words.trim().split(/\s+/))
