// The project's sounds, as the window plays them: each file read once, told once where it cannot
// be used.
#pragma once
#include <QObject>
#include <QString>
#include <map>

#include "devices/speaker.h"

namespace bristle {

class Sounds : public QObject {
  Q_OBJECT
 public:
  using QObject::QObject;
  // Where files without a whole path lie. What was read is forgotten.
  void setFolder(const QString& folder);
  void play(const std::string& file, double volume);
  // What is heard again and again from now on, in the place of other music; without a file: none.
  void music(const std::string& file, double volume);
  void stop() { speaker_.stop(); }
  int playing() const { return speaker_.playing(); }

 Q_SIGNALS:
  // A file that cannot be played, when it is first wanted.
  void failed(const QString& why);

 private:
  std::shared_ptr<const Sound> read(const std::string& file);
  QString folder_;
  std::map<std::string, std::shared_ptr<const Sound>> read_;  // null: cannot be used
  Speaker speaker_;
};

}  // namespace bristle
