// Cuts buttons out of flat painted menus: one picture for each state, rectangles marked on them.
#pragma once
#include <QImage>
#include <QRect>
#include <map>

#include "core/edit/button_edits.h"

namespace bristle {

// One flat picture for each role; all of one size.
struct Sheets {
  std::map<Role, QImage> pictures;  // Rest must be there
  const QImage& rest() const { return pictures.at(Role::Rest); }
};
// Reads them; the role is told by the end of each file's name, or, where that says nothing, by the
// order rest, hover, press, focus, disabled. Refused, with both sizes, where sizes differ.
Result<Sheets> readSheets(const QStringList& paths);

struct Mark {
  QRect rect;  // px of the sheets
  QString name;
};

// Moves each side of a rectangle to the strongest edge in the picture within `reach` px of it.
QRect snappedToEdges(const QImage& picture, const QRect& rect, int reach = 6);
// The smallest rectangle in `rect` that holds all that differs from its border's colour; `rect`
// itself where nothing does.
QRect tightened(const QImage& picture, const QRect& rect);
// The picture with the rectangles filled from their surroundings.
QImage withoutButtons(const QImage& picture, const std::vector<Mark>& marks);

// Writes the pictures into `folder`/art and gives the buttons, their places scaled so that the
// sheet is `width` px wide, and the background's file. No file that is there is written over.
struct CutResult {
  std::vector<CutButton> buttons;
  std::string background;
};
Result<CutResult> cutOut(const Sheets& sheets, const std::vector<Mark>& marks,
                         const QString& folder, const QString& name, double width);

}  // namespace bristle
