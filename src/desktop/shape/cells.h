// What can be done with several cells of the ledger at once: copy, paste, clear, carry sideways,
// step, turn. The text on the clipboard is plain: tabs between columns, a line for each row, so that
// it can come from and go to any other program.
#pragma once
#include <QString>

#include "desktop/shape/ledger_model.h"

namespace bristle {

// The picked cells, in the ledger's order. Cells that follow the base are empty.
QString copiedCells(const Work& work, const LedgerModel& model);
// From the picked cell on, down and to the right; an empty text clears. A single text goes to all
// picked cells. False when it was refused, and the person has been told why.
bool pasteCells(Work& work, const LedgerModel& model, const QString& text);
void clearCells(Work& work);
// The value that `from` shows in the picked row is given to other columns.
void carrySideways(Work& work, const PropKey& row, const Column& from,
                   const std::vector<Column>& to);
// Adds so many of its smallest steps to every picked number. One drag is one undo step.
void stepCells(Work& work, double steps);
// Of every picked cell with fixed answers, yes and no among them, the answer after the first one's.
void turnCells(Work& work);

}  // namespace bristle
