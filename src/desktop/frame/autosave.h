// Writes what is not saved yet beside the user's state, a second after an edit and off the
// interface thread; gone once it is saved, undone or thrown away.
#pragma once
#include <QFutureWatcher>
#include <QObject>
#include <QTimer>
#include <memory>

#include "core/formats/unsaved_file.h"

namespace bristle {

class Files;
class Work;

class Autosave : public QObject {
  Q_OBJECT
 public:
  // `folder`: where unsaved work lies; see unsavedFolder().
  Autosave(Work& work, Files& files, const QString& folder, QObject* parent);
  ~Autosave() override;
  // What was left behind there by windows that were killed.
  std::vector<LeftBehind> left() const;
  // Goes on with what was left behind. Its copy stays until there is a newer one.
  void goOn(LeftBehind left);
  static void throwAway(const LeftBehind& left) { removeUnsaved(left.file); }
  // Waits for what is being written; for tests, and before the end.
  void finish();
  // Nothing is left behind by a window that was closed as it should be.
  void clear();

 private:
  void look();
  void write();
  Work& work_;
  Files& files_;
  std::string folder_;
  std::shared_ptr<UnsavedPlace> place_;
  std::string adopted_;  // the copy that was gone on with
  QTimer soon_;
  QFutureWatcher<Result<void>> writing_;
  bool told_ = false, wanted_ = false;
};

// $XDG_STATE_HOME/bristle/unsaved, or where the standard puts it.
QString unsavedFolder();

}  // namespace bristle
