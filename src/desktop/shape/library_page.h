// The store of ready-made kinds, and libraries: files that carry kinds from project to project.
#pragma once
#include <QComboBox>
#include <QListWidget>
#include <QTimer>

#include "core/edit/library_edits.h"
#include "desktop/view/page.h"
#include "paint/screen_painter.h"

namespace bristle {

class Work;

class LibraryPage : public Page {
  Q_OBJECT
 public:
  LibraryPage(Work& work, QWidget* parent);
  // Shows another library than the ready-made one; false, and told why, where it cannot be read.
  bool openLibrary(const QString& path);
  // The picked kind of the project, or all of them, as a library of its own.
  bool saveLibrary(const QString& path, bool all);
  static Project readyMade();

 protected:
  void resizeEvent(QResizeEvent* event) override;

 private:
  void show(Project library, const QString& folder);
  void refreshChoice();
  void drawSome();
  void take();
  bool takeFiles(const std::vector<KindId>& kinds);
  std::vector<KindId> chosen() const;
  Work& work_;
  Shared<Project> library_;
  QString folder_;
  LookPainter looks_;
  LookTables tables_;
  QListWidget* kinds_;
  QLabel *states_, *conflictNote_;
  QVBoxLayout* conflicts_;
  std::vector<std::pair<LibraryConflict, QComboBox*>> answers_;
  QPushButton* take_;
  QTimer soon_;
  int drawn_ = 0;
};

}  // namespace bristle
