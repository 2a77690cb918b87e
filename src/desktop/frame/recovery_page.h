// What the window shows first when work was left behind by a program that was killed: both versions
// with a picture and the time, and a button for each.
#pragma once
#include <QBoxLayout>
#include <QWidget>
#include <vector>

#include "core/formats/unsaved_file.h"

namespace bristle {

class Autosave;
class Files;
class Work;

class RecoveryPage : public QWidget {
  Q_OBJECT
 public:
  RecoveryPage(Work& work, Autosave& autosave, Files& files, QWidget* parent = nullptr);
  // Shows the newest that was left behind; false where nothing is.
  bool showNext();

 Q_SIGNALS:
  // The person has chosen for each.
  void done();

 private:
  void show(const LeftBehind& left);
  QWidget* version(const QString& title, const QString& when, const Project& project,
                   const QString& folder, const QString& choice, bool main,
                   std::function<void()> chosen);
  Work& work_;
  Autosave& autosave_;
  Files& files_;
  QBoxLayout* column_;
  QWidget* body_ = nullptr;
  std::vector<LeftBehind> left_;
};

}  // namespace bristle
