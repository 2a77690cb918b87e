// How a screen's items nest. Screen::items is a tree written out: what is in a container stands
// right after it, in painting order. So an item and all that is in it are one run of the list:
//
//   column        parent "", run of 3
//     button      parent column
//     button      parent column
//   picture       parent ""
//
// Every edit keeps it so; whyNoTree tells when something is not.
#pragma once
#include <optional>
#include <span>
#include <string>
#include <vector>

#include "runtime/document/screen.h"

namespace bristle {

// What an item has from where it stands. `hidden` and `locked` are its own or a holder's.
struct Nesting {
  int parent = -1;  // index of the container that it is in; −1: the screen
  size_t end = 0;   // one past the last item in it; its own index + 1 where nothing is
  int depth = 0;    // containers around it
  bool hidden = false, locked = false;
};
// By index of Screen::items. In one walk; a parent that is not right is taken to be the screen.
std::vector<Nesting> nestingOf(const Screen& screen);

// Its index; nothing where there is no such item.
std::optional<size_t> indexOf(const Screen& screen, const ItemId& id);

// What is wrong with the order or the parents, as a sentence: what a person would call the item,
// and why it cannot stand there. Empty where all is well.
std::string whyNoTree(const Screen& screen);

// Of the items, those that are in none of the others, in the screen's order. Unknown ones are left
// out.
std::vector<ItemId> outermost(const Screen& screen, std::span<const ItemId> items);

// Takes items out, each with all that is in it, and gives them one after another in the order of
// `items`, of which none may be in another.
std::vector<Shared<Item>> takeOut(Screen& screen, std::span<const ItemId> items);

// Puts in a run of items as the last in `holder`, or on the screen where that is empty: those of
// the run that are in none of it become the holder's. `holder` must be a container of the screen.
void putLast(Screen& screen, const ItemId& holder, std::vector<Shared<Item>> run);

// The same, but before one that is in `holder`; an empty one puts it last.
void putBefore(Screen& screen, const ItemId& holder, const ItemId& brother,
               std::vector<Shared<Item>> run);
// The next in the same holder; empty where it is the last.
ItemId brotherAfter(const Screen& screen, const ItemId& item);
// Changes places with the brother before (−1) or after (+1); nothing happens where there is none.
void swapWithBrother(Screen& screen, const ItemId& item, int by);

}  // namespace bristle
