// Opening and saving in the window: recent files, the question about unsaved changes, and care for
// a file that somebody else has changed meanwhile.
#pragma once
#include <QObject>
#include <QSettings>
#include <QStringList>

#include "core/formats/file_io.h"

class QWidget;

namespace bristle {

class Work;
struct Project;

class Files : public QObject {
  Q_OBJECT
 public:
  // `window` is where its questions stand; all must outlive it.
  Files(Work& work, QSettings& settings, QWidget* window);

  const QString& path() const { return path_; }
  // Of the file as it was opened or saved last.
  const FileStamp& stamp() const { return stamp_; }
  // Goes on with work that was never saved, of the file that had this stamp then.
  void restore(Project project, const QString& path, const FileStamp& stamp);
  QStringList recent() const;

  // Each asks first where changes would be lost; false when nothing came of it.
  bool newProject();
  bool open(const QString& path);
  // The same without any question or message: for the start, where nobody may be there to answer.
  // Gives a note for the person, mostly empty.
  Result<QString> load(const QString& path);
  bool openAsked();
  bool save();
  bool saveAsked();
  bool saveAs(const QString& path);
  // Asks about unsaved changes; false: stay.
  bool mayLeave();

 Q_SIGNALS:
  // Of the file that is open; or it has none any more.
  void pathChanged();

 private:
  bool write(const QString& path);
  bool takeAlong(const QString& folder);
  void setPath(const QString& path, const FileStamp& stamp);
  void remember(const QString& path);
  void complain(const QString& what, const QString& why);

  Work& work_;
  QSettings& settings_;
  QWidget* window_;
  QString path_;
  FileStamp stamp_;
};

}  // namespace bristle
