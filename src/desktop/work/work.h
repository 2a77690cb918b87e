// What the window works on: the project with its history, and what is picked. Views read it, send
// edits to it, and refresh when it says what has changed; they do not know one another.
#pragma once
#include <QObject>
#include <QString>
#include <memory>
#include <optional>
#include <unordered_map>
#include <unordered_set>
#include <vector>

#include "core/edit/history.h"
#include "core/edit/look_owner.h"
#include "desktop/derive/derived.h"
#include "desktop/derive/miniatures.h"
#include "desktop/work/commands.h"
#include "desktop/work/sounds.h"
#include "paint/fonts.h"
#include "paint/screen_painter.h"

namespace bristle {

class Controllers;
class FindingsWatch;
struct Finding;

struct Picked {
  KindId kind;
  std::vector<Column> columns{Column{}};  // of the ledger; where edits of a look go
  PropKey property;                       // the ledger's row
  std::vector<PropKey> rows;              // all picked rows; `property` is among them
  bool onlyButton = false;                // edits of a look go to the picked button, not its kind
  ScreenId screen;
  std::vector<ItemId> items;
  DisplayId display;
  LanguageId language;
  Dir dir = Dir::Down;  // of the route looked at
};

class Work : public QObject {
  Q_OBJECT
 public:
  Work();
  ~Work() override;
  const Project& project() const { return history_.now(); }
  const History& history() const { return history_; }
  const Picked& picked() const { return picked_; }

  // False when it was refused; the person has been told why then.
  bool perform(const Edit& edit);
  void seal() { history_.seal(); }
  // Ends the step that edits may still join, whenever a person begins something new: presses a
  // button of the mouse, or a key that is not text in a field.
  bool eventFilter(QObject* watched, QEvent* event) override;
  void undo();
  void redo();
  // Another project, with a history of its own.
  void replace(Project project, const QString& folder, bool readOnly);
  void markSaved();
  void markUnsaved();
  bool saved() const { return history_.saved(); }
  bool readOnly() const { return readOnly_; }

  // What is picked from now on. Where it is picked already nothing is told.
  void pickKind(const KindId& kind);
  void pickColumns(std::vector<Column> columns, PropKey property);
  void pickCells(std::vector<Column> columns, std::vector<PropKey> rows, PropKey property);
  void pickOnlyButton(bool on);
  void pickScreen(const ScreenId& screen);
  // `sameStep`: edits that follow may still join the step before (a drag that copies).
  void pickItems(std::vector<ItemId> items, bool sameStep = false);
  void pickDisplay(const DisplayId& display);
  void pickLanguage(const LanguageId& language);
  void pickDir(Dir dir);
  // Whether the item is among those that are picked.
  bool isPicked(const ItemId& item) const { return pickedItems_.contains(item); }

  // What is picked, looked up; null where nothing is.
  const Kind* kind() const { return find(project(), picked_.kind); }
  const Machine* machine() const;
  const Screen* screen() const { return find(project(), picked_.screen); }
  const Display* display() const;
  const Language& language() const { return languageOf(project(), picked_.language); }
  // Display and language together; a project always has both.
  Showing showing() const { return {*display(), language().id}; }
  const Item* item() const;  // the one picked item, or the first of several
  // Whose look is edited: the picked kind's, or that of the picked button alone.
  LookOwner lookOwner() const;
  const OwnLook* ownLook() const;  // null where the kind's is edited
  // Of the picked kind, or button; null where there is none.
  std::shared_ptr<const LookTable> lookTable();

  // The picked screen as it is shown.
  ShownScreen shown() const { return {project(), picked_.screen, showing()}; }
  // What is derived from it; made when first asked for after a change. Scrollers show what was
  // picked last in them, the fly-out that something is picked in is open, and of a set of panels
  // the one is there that something was picked in last, or whose button was.
  const Layout& layout();
  const ScreenRoutes& routes();  // of many buttons not solved at first: derivedChanged tells
  // The picked button's box in them; −1 where none is picked.
  int pickedBox();
  Commands& commands() { return commands_; }
  Derived& derived() { return derived_; }
  Miniatures& miniatures() { return miniatures_; }
  // What is wrong with the project, a moment after each change.
  FindingsWatch& findings() { return *findings_; }
  // What the finding is about is picked, on the display and in the language where it shows.
  void pickPlaceOf(const Finding& finding);

  LookPainter& looks() { return looks_; }
  LookTables& tables() { return tables_; }
  Sounds& sounds() { return sounds_; }
  // Begun when they are asked for first; whoever is in sight polls them.
  Controllers& controllers();
  const FontMeasure& measure() const { return measure_; }
  // Where pictures and takes of the project lie; empty until it is saved.
  const QString& folder() const { return folder_; }
  void setFolder(const QString& folder);
  // Picture files were written: what was read of them is forgotten.
  void filesChanged();
  // The project's own file, which nothing but saving may write; empty until it is saved.
  const QString& file() const { return file_; }
  void setFile(const QString& file) { file_ = file; }
  void tell(const QString& message, bool wrong = false);

 Q_SIGNALS:
  // After each edit, undo and redo, and another project.
  void changed(const bristle::Change& change);
  // Another project, before that is told as a change.
  void replaced();
  // Something else is picked, of whatever sort.
  void pickedChanged();
  // What can be undone and redone, or whether all is saved.
  void historyChanged();
  // Layout or routes that were asked for are there.
  void derivedChanged();
  // A kind was chosen on the shelf, with Return or a double click: the bench in sight uses it.
  void kindChosen(const bristle::KindId& kind);
  void groupChosen(const bristle::GroupId& group);
  // Files of pictures were written.
  void picturesChanged();
  // Something for the bottom line; `wrong`: it could not be done.
  void told(const QString& message, bool wrong);

 private:
  void after(const Change& change);
  void dropDerived();
  void keepPicksValid();
  void setPicked(std::vector<ItemId> items);
  void keepThere(const Screen& screen);
  void revealPicked();
  void lookAtPanels();
  std::vector<size_t> panelsInSight() const;

  History history_;
  Picked picked_;
  std::unordered_set<ItemId> pickedItems_;  // the same as picked_.items: asked for each item
  LookPainter looks_;
  LookTables tables_;
  FontMeasure measure_;
  Sounds sounds_;
  std::unique_ptr<Controllers> controllers_;
  QString folder_, file_;
  bool readOnly_ = false;
  Commands commands_;
  Derived derived_;
  Miniatures miniatures_;
  std::unique_ptr<FindingsWatch> findings_;
  std::unordered_map<ItemId, Px> scrolled_;     // how far each scroller is moved
  std::unordered_map<ItemId, ItemId> inSight_;  // of each set of panels, the one that was looked at
  bool peeks_ = false;  // whether such a one is not the one that is there at first
  std::shared_ptr<const Layout> layout_;
  std::shared_ptr<const ScreenRoutes> routes_;
};

}  // namespace bristle
