// Makes what a delivery would hand over on a worker, and hands it over there.
#pragma once
#include <QObject>
#include <QTimer>

#include "deliver/outputs.h"
#include "desktop/derive/latest.h"
#include "runtime/document/project.h"

namespace bristle {

// What one delivery comes to. `why`: that it cannot be made, or may not be put there.
struct MadeDelivery {
  DeliveryId of;
  std::vector<MadeFile> files;
  HandedOver would;
  std::vector<std::string> left;
  std::string why;
  bool inTheWay = false;  // it could be put there if files in the way were written over
};

class HandOverWatch : public QObject {
  Q_OBJECT
 public:
  explicit HandOverWatch(QObject* parent);
  // A moment after the last call. Its pictures lie in `folder`, the project's. False where it is
  // that of before and nothing has changed; `anew` looks all the same: files may have.
  bool look(const Project& project, const DeliveryId& delivery, const QString& folder, bool anew);
  // Puts into its folder what was made last of each of these.
  void handOver(const Project& project, const std::vector<DeliveryId>& deliveries,
                const QString& folder, bool over);
  // What was begun is given up; of several deliveries those that were handed over stay so.
  void stop();
  bool busy() const { return soon_.isActive() || making_.busy() || putting_.busy(); }
  const MadeDelivery& now() const { return now_; }

 Q_SIGNALS:
  // now() is another.
  void changed();
  // It was given up: now() is what it was.
  void stopped();
  // So many of so many pictures are there.
  void advanced(int done, int of);
  // What came of it, in words; whether all went well.
  void handedOver(const QString& told, bool fine, const QString& folder);

 private:
  void begin();
  struct Done {
    QString told, folder;
    bool fine = true;
  };
  Project project_;
  DeliveryId wanted_;
  QString folder_;
  QTimer soon_;
  MadeDelivery now_;
  Latest<MadeDelivery> making_;
  Latest<Done> putting_;
};

}  // namespace bristle
