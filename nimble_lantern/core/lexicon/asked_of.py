"""The phrases in which people ask for what `housed` knows: a sign, and what raises it.

A line that goes on is indented; "@delete" stands for the phrases that are kept under that name.
"""

from __future__ import annotations

SHARED = """
before: before, in front of, ahead of, just before, right before, directly before, immediately
  before, straight before, just in front of, right in front of
after: after, behind, following, just after, right after, directly after, immediately after,
  straight after, just behind, right behind
above: above, over, on top of, just above, right above, directly above
below: below, under, beneath, underneath, just below, right below, just under, right under,
  directly below
delete: no use for, have no use for, i have no use for, we have no use for, is no use, is of no
  use, is no longer any use, is not any use, is useless, i don't want, i do not want, we don't
  want, we do not want, i don't need, i do not need, we don't need, we do not need, i no longer
  need, we no longer need, do without, no need for, delete, deleted, remove, removed, erase,
  erased, drop, dropped, lose, scrap, scrapped, bin, discard, ditch, dump, strike, strike out,
  struck out, cross out, cut out, rid, rid of, get rid of, done away with, do away with, not
  needed, no longer needed, do not need, don't need, do not want, don't want, no longer need, not
  wanted, superfluous, throw, thrown, chuck, leave out, left out, taken out, taken off, taken
  away, dispense with, destroy, wipe out, have to go, deleting, removing
leaving: can go from the table, can come out of the table, can go off the table, can come off the
  table, can all go, should all go, must all go, could all go, should not be in here, should not
  be here, shouldn't be in here, shouldn't be here, shouldn't be in there, does not belong here,
  doesn't belong here, does not belong in here, doesn't belong in here, doesn't belong in the
  table, should not be in the table, shouldn't be in the table, out, off, away, gone, can go,
  could go, may go, should go, must go, has to go, needs to go, can come out, come out, come off,
  disappear, vanish, is not needed, are not needed, is no longer needed, is one too many, to go
read: what was in, remind me what says, remind me, what did i say in, read, read out, say, says,
  aloud, out loud, what does say, what is in, what's in, what stands in, what, what does, what do,
  what is, what's, tell, hear, listen to, what it says in, how does, show, see, look at, open,
  display, stands, is in, speak
show: look through, go through, run through, the names of, names of, show, list, see, look at,
  display, read, what, which, are there, how many, there are, what are, where, where are, have
  names, do i have, have i got, i have, got, give me, open, view, all, every, tell, please, find,
  what can i use, overview of, a list of
empty: empty, emptied, blank, blank out, clear, cleared, clear out, wipe, wiped, nothing in, bare,
  nothing, empty out, wipe clean
twice: the same as, same as, just like, in twice, underneath, twice, again below, copy, a copy,
  another copy, copied, double, doubled, duplicate, duplicated, repeat, repeated, once more, again
  underneath, another, like it, the same again, two of, a second time, one more
all: what is in, what stands in, what it says in, the contents of, contents, everything,
  everything in, everything out of, all the words, all the words in, the words in, the words of,
  out of
select: select, selected, mark, marked, pick, pick out, choose, grab
settle: is no longer open, is not open any more, i did what says, i have done what says, settle,
  settled, resolve, resolved, close, closed, tick off, ticked off, check off, done, is done, is
  settled, is finished, is dealt with, dealt with, finished, finish, complete, completed, taken
  care of, is closed, seen to, as done, as settled, as finished, sorted, sorted out, is resolved,
  is sorted, is over, has been dealt with, has been done, have dealt with, have done
reopen: reopen, reopened, open again, open up again, is not done, is not finished, is not settled,
  not done, not settled, not finished, unsettled, is open again, is still open, still open,
  untick, unticked, undone, is not done yet, isn't done, isn't finished, isn't settled, not yet
  done, not done yet, not dealt with, is not dealt with
more_room: more room in, more space in, some more room in, a bit more room in, stretch out, there
  is not enough room for, not enough room for, not enough space for, there is no room for, no room
  for, no room in, is not wide enough, not wide enough, is too tight, too tight, is cramped,
  cramped, too cramped, is squashed, squashed, too squashed, is squeezed
less_room: does not need so much room, doesn't need so much room, does not need that much room,
  does not need so much space, doesn't need so much space, needs less room, needs less space,
  squeeze up, pull in, tighten up, close up, takes up too much room, takes up too much space, take
  up too much room, take up too much space, takes too much room, takes too much space, too much
  room, too much space, less wide, not so wide, not as wide, is wider than it need be, has too
  much room, has too much space, wastes space, wastes room, slim, slim down, tighten
up: up, one up, up one, higher, one higher, a row up, up a row, one row up, up one row, a place
  up, one place up, a row higher, one row higher, a place higher, one place higher, a line up,
  further up, up by one, one further up
down: down, one down, down one, lower, one lower, a row down, down a row, one row down, down one
  row, a place down, one place down, a row lower, one row lower, further down, down by one, a
  place lower, one place lower, one further down
"""
"""Phrases that several kinds of things share."""
OF_THINGS = """
[row, column]
delete: @delete
leaving: @leaving
empty: @empty
all: @all
twice: @twice
select: @select
read: @read
delete = delete {}
empty = empty {}
all empty = empty {}
all delete = empty {}
all delete empty = empty {}
all read = read {}
twice = duplicate {}
add twice = duplicate {}
select = select {}
read = read {}

[row]
up: @up
down: @down
first: first under the heading, under the heading, right under the heading, first under the
  headings, first, top, top of the table, at the top, to the top, on top, uppermost, the first,
  first row, the first row, in the first row, first place, above all the others, above all others,
  above all the other rows, above the others, above the rest, before all the others, highest,
  before the others, at the head, to the head, at the very top, to the very top, all the way up,
  at the beginning, at the start, the beginning, the start, come first, comes first, goes first,
  be first, be the first, be the first row, at the head of the table, in first place
last: come last, comes last, goes last, be last, be the last, be the last row, in last place,
  last, bottom, bottom of the table, at the bottom, to the bottom, at the end, to the end, the
  last, the last row, below all the others, below the others, under all the others, end, after all
  the others, lowest, at the very bottom, to the very bottom, all the way down, at the foot, to
  the foot, below the rest
add: add a row, a row, another row, new row, a new row, one more row, one row more, an empty row,
  an extra row, a further row, a blank row, row, insert a row, empty row, extra row, line, a line,
  another line, one more line, add, insert, leave room for, make room for, room for, space for,
  append
below: @below, @after, next after
above: @above, @before
below twice = duplicate {}
add below twice = duplicate {}
up = move {} up
down = move {} down
first = move {} to the top
last = move {} to the bottom
add below = add a row after {}
add above = add a row before {}

[column]
left: left, to the left, one left, further left, one to the left, a column to the left, one column
  to the left, one place to the left, leftwards
right: right, to the right, one right, further right, one to the right, a column to the right, one
  column to the right, one place to the right, rightwards
first: first, leftmost, the first, at the front, to the front, furthest left, all the way left, to
  the far left, on the far left, before all the others, the first column, first column, at the
  beginning, at the start, at the very left, to the very left
last: last, rightmost, the last, at the end, to the end, furthest right, all the way right, to the
  far right, on the far right, after all the others, the last column, last column
wide: @more_room, wider, broader, bigger, more room, more space, more width, widen, widened,
  stretch, stretched, a bit wider, a little wider, is a bit narrow, is rather narrow, is too
  narrow, is too small, is too tight, broaden, a bit broader, larger, a bit more room, some more
  room, extend, too narrow
narrow: @less_room, narrower, thinner, smaller, less room, less space, less width, slimmer, a bit
  narrower, a little narrower, is too wide, is too broad, is too big, shrink, squeeze, too wide
total: is it, is it altogether, is that, is that altogether, is that in all, does that make, do
  they come to, a total for, a total of, count up, counted up, total for, what we, did we, total,
  sum, do we have, have we got, are there, do i have, there are, have i got, add up, added up, sum
  up, altogether, in all, in total, together, all told, how much, how much is, how many, tell me
  the total, the sum, come to, comes to, amount to, amounts to, total up, grand total, overall,
  adding up, what is the total, what's the total, what is the sum, what's the sum, what does come
  to
write: under, below, underneath, beneath, bottom, at the bottom, at the bottom of, at the foot, at
  the foot of, at the end, at the end of, write, insert, under it, below it, row, in a row, in the
  last row, a row for, line, enter, add a total, add the total, put the total, put a total, add a
  sum
sort: go by, goes by, by the number of, order of the number of, how many, by how many, sort,
  sorted, order, ordered, arrange, arranged, in order of, in the order of, sort by, order by,
  ordered by, sorted by, arrange by, arranged by, rank by, ranked by, sort on, sorted on, by order
  of, according to, in order, in order by, sorting, put in order, rank, order of, sequence, going
  by, list by
falling: backwards, descending, in descending order, reverse, in reverse, in reverse order, the
  other way round, the other way, from high to low, high to low, highest first, biggest first,
  largest first, most first, the highest first, the biggest first, the largest first, the most
  first, latest first, newest first, downwards, from big to small, big to small, from large to
  small, large to small, from largest to smallest, from biggest to smallest, from highest to
  lowest, highest at the top, biggest at the top, largest at the top, most at the top, the highest
  at the top, with the highest at the top, with the biggest at the top, with the most at the top,
  with the most first, with the highest first, with the biggest first, highest on top, biggest on
  top, most on top, from z to a, z to a, starting with the highest, starting with the biggest,
  starting with the most, from most to least, dearest first, highest number first, highest number
  at the top, with the highest number first, with the highest number at the top, biggest number
  first, biggest number at the top, with the biggest number first, with the biggest number at the
  top, largest number first, largest number at the top, going down, longest first, with the longest
  first, latest date first, newest date first, reversed, turned round, upside down,
  from last to first
rising: ascending, in ascending order, from low to high, low to high, lowest first, smallest
  first, least first, the lowest first, the smallest first, from small to large, small to large,
  from small to big, small to big, from smallest to largest, from lowest to highest, from a to z,
  a to z, alphabetically, alphabetical, in alphabetical order, alphabetical order, alphabetically
  by, in alphabetic order, alphabetic order, by the alphabet, in the order of the alphabet,
  upwards, numerically, in numerical order, numerical order, earliest first, oldest first,
  cheapest first, starting with the smallest, starting with the lowest, from least to most,
  smallest at the top, lowest at the top, fewest first, soonest first, lowest number first, lowest
  number at the top, with the lowest number first, with the lowest number at the top, smallest
  number first, smallest number at the top, with the smallest first, with the smallest at the top,
  with the lowest first, with the lowest at the top, going up, shortest first, earliest date first
add: add a column, a column, another column, new column, a new column, one more column, one column
  more, an empty column, an extra column, a further column, column, insert a column, extra column,
  empty column, a blank column, add, insert, leave room for, make room for, room for, space for,
  append
before: @before, left of, to the left of, on the left of
after: @after, right of, to the right of, on the right of, next to, beside
ranged_right: lined up at the right, up on the right, up against the right, line up on the right,
  lined up on the right, right aligned, aligned on the right, aligned to the right, aligned right,
  align right, flush right, on the right, to the right hand side, on the right hand side, right
  align, against the right, right justified, ranged right, right hand side
figures: numbers in, the numbers in, numbers of, figures in, figures of, numbers under, figures
  under, amounts in, amounts under, numbers in the, the figures in
ranged_left: up on the left, up against the left, lined up at the left, left aligned, aligned
  left, align left, flush left, on the left, to the left hand side, on the left hand side, left
  align, against the left, left hand side
centred: centred, centered, centre, center, in the middle, in the centre, in the center, middle,
  central
left = move {} left
right = move {} right
first = move {} first
last = move {} last
wide = make {} wider
narrow = make {} narrower
total = what is the total of {}
read total = what is the total of {}
read total write = what is the total of {}
total write = put the total under {}
add total = put the total under {}
add total write = put the total under {}
sort = sort the table by {}
rising = sort the table by {}
rising sort = sort the table by {}
falling = sort the table by {} backwards
falling sort = sort the table by {} backwards
add before = add a column before {}
add after = add a column after {}
ranged_right = align {} right
ranged_left = align {} left
figures right = align {} right
figures left = align {} left
figures centred = centre {}
centred = centre {}

[table]
leaving: @leaving
delete: @delete
not: no, without, instead of, instead of a, no more, not, let's not have, not have, rather not
  have
into: change, convert, converted, turn, back to, undo
text: as a, text, lines, just plain lines, just lines, plain text, ordinary text, normal text,
  simple text, just text, plain writing, ordinary writing, lines of text, plain lines, ordinary
  lines, to text, into text, apart, dissolve, dissolved, back to text, paragraphs, plain
  paragraphs, ordinary paragraphs, flat, words only, only words, just words
row: one more, another one, another row, new row, one more row, one row more, an empty row, an
  extra row, a further row, a blank row, a row, row, add a row, insert a row, empty row, extra
  row, more row, another line, one more line, an empty line, new line in, one line more, a row
  more, longer by a row, an additional row, a row added, rows
column: another column, new column, one more column, one column more, an empty column, an extra
  column, a further column, a blank column, a column, column, add a column, insert a column, empty
  column, extra column, a column more, an additional column, a column added
topmost: at the top, at the beginning, at the start, on top, to the top
endmost: at the bottom, at the end, at the foot, on the bottom, at the very end, to the end, to
  the bottom, on the end, bottom, end
delete = delete the table
into text = turn the table into text
text = turn the table into text
not text = turn the table into text
delete text = turn the table into text
delete into text = turn the table into text
row = add a row
column = add a column
row topmost = add a row at the top
endmost row = add a row at the end
column endmost = add a column at the end
column topmost = add a column at the start

[columns]
even: same width, the same width, of the same width, as wide as each other, as wide as one
  another, equally wide, equal, equal width, of equal width, even, evened out, even out, evenly,
  out evenly, space out, space, spaced, spread, spread out, share the room equally, equal size,
  same size, the same size, one width, of one width, match, all alike, alike, regular, no wider
  than each other
even = make the columns equally wide

[note]
delete: @delete
leaving: @leaving
settle: @settle
reopen: @reopen
read: @read, go to, jump to, find, where is, where's
delete = delete {}
settle = settle {}
reopen = reopen {}
read = read {}
- = read {}

[notes]
leaving: @leaving
delete: @delete, clear, wipe, empty, clean
show: @show
settle: @settle, i have done, i have done everything in, i have finished, i have settled, i have
  finished everything in, everything in
those: that are, that i have, which are
reopen: @reopen
delete = delete all notes
delete settle = remove the settled notes
delete settle those = remove the settled notes
settle those = show my notes
settle show those = show my notes
show = show my notes
settle = settle all notes
reopen = reopen all notes
settle show = show my notes
- = show my notes

[passage]
delete: @delete
leaving: @leaving
read: @read, preview, sound
insert: insert, add, write, type, paste, use, drop in, put in, pop in, finish with, end with,
  close with, begin with, start with, enter, stick in, place, bring in, call up
here: here, in here, comes here, goes here, now, there, in there
delete = remove the passage {}
read = show the passage {}
here insert = insert the passage {}
insert = insert the passage {}
here = insert the passage {}
- = insert the passage {}

[passages]
show: @show, stored, kept, saved, what can i insert
show = show my passages
- = show my passages

[place]
leaving: @leaving
delete: @delete, unmark, unname, is no place, as a place, no place
go: where did i put, let me see, see, look at, go to, go, back to, back, jump, jump to, return,
  return to, take me to, take me, where is, where's, find, visit, over to, on to, head for, move
  to, show, go back to, continue at, carry on at, write on at
delete = forget the place {}
go = go to the place {}
- = go to the place {}

[places]
show: @show, named, marked, can i go
show = show my places
- = show my places

[version]
delete: @delete
leaving: @leaving
back: back, bring back, restore, return to, load, take again, use, revert to, go back to, back to,
  as it was in, the way it was in, again, return, recover, fetch, reinstate, revert, retrieve, how
  it was in, like it was in, put back
compare: compare, compared, compare with, difference, differences, different, changes, changed,
  what, what changed, what has changed, what is different, since, with, against, to, from,
  compared with, how, differ, differs, show, show me, this version, side by side, beside, next to,
  what did i change, what have i changed, between this and, what is new, what's new, what's
  different, what's changed, how does it differ, difference between this and, set against, has
  changed, is it different, how is this different
delete = forget the version {}
back = bring back the version {}
compare = compare with {}
back compare = compare with {}

[versions]
show: @show, older, named, saved, kept, earlier
show = show my versions
- = show my versions

[change]
back: did not mean, didn't mean, i did not mean, i didn't mean, was a mistake, was wrong, liked
  better before, like better before, better before, was better before, back, undo, undone, reject,
  rejected, revert, reverted, not, no, refuse, i don't want, i do not want, don't want, do not
  want, i don't like, as it was, the way it was, how it was, to how it was, reverse, cancel,
  discard, drop, as it was before, to what it was, away, out, without, like before, like it was
keep: i am happy with, i am fine with, happy with, am happy with, fine with, am fine with, content
  with, like, i like, keep, kept, accept, accepted, leave, stay, stays, is fine, is all right, is
  good, is right, all right, fine, good, yes, leave in, approve, is ok, ok, can stay, may stay, as
  it is
back = take this one back
keep = keep this one

"""
"""For each kind of thing its signs, with the phrases that raise them, and what signs together ask
for in the plain way; "-" where nothing but courtesy is said."""
OF_PARTS = """
[part]
delete: @delete
leaving: @leaving
twice: twice, duplicate, a second time, double, another copy of, repeat, repeated
larger: larger, bigger, a bigger, a larger, increase the size of, enlarge, enlarged, blow up,
  grow, in a bigger size, in a larger size, a size up, one size up, is too small, too small
smaller: smaller, a smaller, decrease the size of, reduce the size of, shrink, in a smaller size,
  a size down, one size down, is too big, is too large, too big, too large
start: @before, start of, the start of, beginning of, the beginning of, front of, the front of, at
  the start of, to the start of, at the beginning of, to the beginning of
end: @after, end of, the end of, at the end of, to the end of
delete = delete {}
twice = duplicate {}
larger = make {} larger
smaller = make {} smaller
start = go to the start of {}
end = go to the end of {}

[item]
off: off the list, from the list, out of the list, off, strike off, cross off, off my list, not on
  the list, take off, taken off, done and off the list, get off the list, leave off the list
delete: delete, remove, drop, cross out, strike, get rid of, scrap, erase, cross, scratch
off = delete {}
off delete = delete {}
up: @up
down: @down
first: first, top, at the top, to the top, on top, uppermost, the first, first item, the first
  item, above all the others, before all the others, at the head, to the head, at the head of the
  list, at the top of the list, to the top of the list, to the head of the list, at the very top,
  first on the list, first in the list, top of the list, as the first item, as the first one, as
  item one, as number one, as the first point, as the first, at the beginning of the list, the
  first on the list
last: last, bottom, at the bottom, to the bottom, the last, last item, the last item, at the end
  of the list, at the bottom of the list, to the bottom of the list, to the end of the list, last
  on the list, last in the list, bottom of the list, as the last item, as the last one, as the
  last point, below all the others, after all the others, at the very end, at the very bottom
up = move {} up
down = move {} down
first = move {} to the top of the list
last = move {} to the end of the list

[words]
split: new paragraph, a new paragraph, fresh paragraph, a fresh paragraph, another paragraph, a
  paragraph break, paragraph break, start a new paragraph, begin a new paragraph, paragraph, a
  paragraph of its own, its own paragraph, the next paragraph, a separate paragraph
at: where it says, start with, starting with, begin with, beginning with, start, begin, starts,
  begins, break, before, cut, where it begins, from, opens, open, split
split = new paragraph before {}
at split = new paragraph before {}

[run of words]
delete: @delete
leaving: @leaving
delete = delete {}

[part, run of words]
shift: move, shift, carry, drag, transfer, relocate, moved, up, down, back, forward
topmost: at the very top, at the very beginning, at the very start, right at the top, right at the
  beginning, right at the start, to the very top, to the very beginning, to the very start, right
  to the top, all the way to the top, first of all, before everything, before everything else,
  above everything, above everything else, at the start of the document, at the beginning of the
  document, to the start of the document, to the beginning of the document, at the top of the
  document, to the top of the document, at the start of the letter, at the beginning of the
  letter, at the top of the letter, to the top of the letter, to the beginning of the letter, to
  the start of the letter, at the top of the page, to the top of the page, at the top of the text,
  start the document with, begin the document with, start the letter with, begin the letter with,
  open the letter with, open the document with, ahead of everything, ahead of everything else
endmost: at the very end, at the very bottom, right at the end, right at the bottom, to the very
  end, to the very bottom, right to the end, all the way to the bottom, all the way to the end,
  all the way down, last of all, after everything, after everything else, below everything, below
  everything else, at the end of the document, to the end of the document, at the bottom of the
  document, to the bottom of the document, at the end of the letter, to the end of the letter, at
  the bottom of the letter, to the bottom of the letter, at the foot of the letter, to the foot of
  the letter, at the bottom of the page, to the bottom of the page, at the end of the text, end
  the document with, end the letter with, finish the letter with, close the letter with, finish
  the document with, behind everything else
opening: at the start of ~ paragraph, at the beginning of ~ paragraph, to the start of ~
  paragraph, to the beginning of ~ paragraph, to the front of ~ paragraph, at the front of ~
  paragraph, first in ~ paragraph, open ~ paragraph, opens ~ paragraph, start ~ paragraph, starts
  ~ paragraph, start ~ paragraph with, begin ~ paragraph with, open ~ paragraph with, at the head
  of ~ paragraph
closing: at the end of ~ paragraph, to the end of ~ paragraph, last in ~ paragraph, close ~
  paragraph, end ~ paragraph, ends ~ paragraph, closes ~ paragraph, end ~ paragraph with, finish ~
  paragraph with, close ~ paragraph with, finish ~ paragraph, at the foot of ~ paragraph, at the
  bottom of ~ paragraph, to the bottom of ~ paragraph
topmost = move {} to the beginning of the document
shift topmost = move {} to the beginning of the document
endmost = move {} to the end of the document
endmost shift = move {} to the end of the document
opening = move {} to the start of its paragraph
opening shift = move {} to the start of its paragraph
closing = move {} to the end of its paragraph
closing shift = move {} to the end of its paragraph

[part, run of words, words]
cursor: cursor, the cursor, caret, the caret, pointer, the pointer, insertion point, the insertion
  point, take me, take me to, get me, get me to, put me, move me, go and stand, i'd like to be, i
  would like to be, i want to be, i want to stand, i want to write, i'd like to write, i want to
  go on, back up to, back to, jump, jump to, let me stand, let me be, i should be, i'd like to
  continue, continue, carry on, move back to, set me, bring me, bring me to, lead me, lead me to
ahead: @before, the start of, start of, the beginning of, beginning of, at the start of, to the
  start of, at the beginning of, to the beginning of, where starts, where begins
beyond: @after, the end of, end of, at the end of, to the end of, the close of, at the close of,
  past
ahead cursor = go to before {}
beyond cursor = go to after {}

[part, run of words]
select: select, selected, mark, pick, pick out, choose, get hold of, grab, take hold of, hold of,
  work on, i want to change, i'd like to change, i want to work on, catch, i'd like to work on,
  mark out
not_wanted: i don't want, i do not want, i no longer want, i don't need, i do not need, i no
  longer need, we don't want, we do not want, we don't need, we do not need, we no longer need, we
  no longer want
select = select {}
not_wanted = delete {}

[part, run of words, row, column]
bold: bold, in bold, bold letters, in bold letters, bold type, in bold type, bolded, thick
  letters, in thick letters, heavy type, in heavy type, in heavy letters, heavy letters, heavy
  print, in heavy print, thick print, in thick print, in thick type, thick type, bold print, in
  bold print, in bold face, boldface, in dark letters, in fat letters, fat letters
italic: italic, italics, in italic, in italics, italicised, italicized, slanted, slanting,
  sloping, in slanted letters, in slanting letters, in sloping letters, sloped, in italic letters,
  in slanting type, slanting type, in slanted type, in sloping type, in slanting print, in leaning
  letters, leaning, in italic type, in sloping print
underlined: underlined, underline, a line under, a line beneath, a line below, a line underneath,
  line under, line beneath, draw, underlining, under line, an underline, an underline under, a
  line under it, a line beneath it, draw a line under, draw a line beneath, draw a line below
struck: struck through, a line through, line through, strike through, strikethrough, cross
  through, crossed through, with a line through it, a line through it
highlighted: highlighted, highlight, with a highlight, a highlight, a highlight on, highlighting,
  marked with the highlighter, with the highlighter, highlighter over, the highlighter over
shouted: all capitals, in capitals, all in capitals, in capital letters, all in capital letters,
  in block capitals, block capitals, in upper case, upper case, in big letters, with big letters,
  with capital letters, with capitals, in block letters, all caps, in all caps, shout, in caps
quoted: in quotes, in quotation marks, quotation marks round, quotation marks around, quotes
  round, quotes around, quotes about, in inverted commas, inverted commas round, inverted commas
  around, between quotes, between quotation marks, between inverted commas, quotation marks about
bracketed: in brackets, brackets round, brackets around, brackets about, between brackets, in
  parentheses, parentheses round, parentheses around, inside brackets, bracketed
bold = bold {}
italic = italicise {}
underlined = underline {}
struck = strike through {}
highlighted = highlight {}
shouted = put {} in capitals
quoted = put {} in quotes
bracketed = put {} in brackets

[part]
centre: centred, centered, centre, center, in the centre, in the center, in the middle, to the
  middle, to the centre, in the middle of the page, in the centre of the page, middle of the page,
  on the middle, sit in the middle, sit in the centre
rightward: right aligned, aligned right, flush right, on the right, on the right hand side, to the
  right hand side, ranged right, against the right edge, at the right edge
leftward: left aligned, aligned left, flush left, on the left, on the left hand side, to the left
  hand side, ranged left, against the left edge, at the left edge
heading: as a heading, a heading, heading, as heading, serve as a heading, the heading, into a
  heading, a title, as a title, a headline, as a headline, a subheading as such
sorted: sort, sorted, alphabetical, alphabetically, in alphabetical order, in order of the
  alphabet, by the alphabet, from a to z, a to z, into alphabetical order, by letter, alphabetic,
  in alphabetic order, into order, by alphabet, alphabetise, alphabetize, alphabetised
numbers: numbers, with numbers, numbered, number, numbers instead of bullets, numbers instead of
  dots, numbers rather than bullets, as a numbered list, a numbered list, numerals, numbering,
  numbers not bullets, have numbers, carry numbers, with numbers instead of bullets
bullets: bullets, with bullets, bulleted, bullet points, with bullet points, dots, with dots, as a
  bulleted list, a bulleted list, bullets instead of numbers, dots instead of numbers, bullet
  points instead of numbers, bullets rather than numbers, as bullets, as bullet points, into
  bullet points, into bullets, into points, as points, with points
parted: split, break, break up, divide, cut up, separate
items: a list, as a list, into a list, list, in a list, as list, list items, as list items
centre = centre {}
rightward = align {} right
leftward = align {} left
heading = make {} a heading
sorted = sort {}
numbers = make {} a numbered list
bullets = make {} a bulleted list
bullets parted = make {} a bulleted list
items parted = make {} a list
items = make {} a list
"""
"""The same of parts and words of the text."""
