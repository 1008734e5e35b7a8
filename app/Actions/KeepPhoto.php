<?php

namespace App\Actions;

use App\Models\Photo;
use App\Models\Subject;
use App\Models\User;
use App\Support\Conflict;
use App\Support\NoRoom;
use App\Support\Say;
use Diastoma\Core\Calculation\Field\Instant;
use Diastoma\Core\Refused;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/**
 * Keeps a picture of a step, once. It is drawn anew as JPEG: what is no picture is refused, and where it was taken, by
 * which phone, does not travel along.
 */
final class KeepPhoto
{
    private const LONGEST_SIDE = 1600;

    private const QUALITY = 82;

    /** Larger pictures are not opened: they would fill the memory. */
    private const MOST_PIXELS = 50_000_000;

    public function __invoke(Subject $subject, User $by, string $id, string $step, string $takenAt, UploadedFile $file): Photo
    {
        $known = Photo::query()->find($id);
        if ($known !== null) {
            return $this->same($known, $subject, $step);
        }
        $subject->procedure()->step($step) ?? throw Refused::field('step', Say::text('refused.noStep', ['step' => $step]));
        Instant::parse($takenAt, 'taken_at', 'taken_at');
        $jpeg = $this->jpeg((string) $file->get());

        // The row is taken first: who comes with the same id at the same moment waits for it, and writes over nothing.
        return DB::transaction(function () use ($subject, $by, $id, $step, $takenAt, $jpeg): Photo {
            // Either it stands under the seal, or it is marked as what came after.
            $own = $subject::query()->lockForUpdate()->findOrFail($subject->getKey());
            $photo = Photo::query()->createOrFirst(
                ['id' => $id],
                [
                    'subject_type' => $subject->getMorphClass(),
                    'subject_id' => $subject->getKey(),
                    'step' => $step,
                    'sha256' => hash('sha256', $jpeg['bytes']),
                    'bytes' => \strlen($jpeg['bytes']),
                    'width' => $jpeg['width'],
                    'height' => $jpeg['height'],
                    'taken_at' => $takenAt,
                    'user_id' => $by->id,
                    'late' => $own->closed() !== null,
                ],
            );
            if (! $photo->wasRecentlyCreated) {
                return $this->same($photo, $subject, $step);
            }
            $this->write(Photo::path($id), $jpeg['bytes']);

            return $photo;
        });
    }

    /** @throws Conflict when the id is that of another picture */
    private function same(Photo $known, Subject $subject, string $step): Photo
    {
        return $known->subject_id === $subject->getKey() && $known->step === $step ? $known
            : throw new Conflict('id', Say::text('refused.pictureIdTaken'));
    }

    /** Whole or not at all: nothing is answered before the bytes were read back as they are. */
    private function write(string $path, string $bytes): void
    {
        $part = $path.'.'.Str::random(8).'.part';
        if (
            Storage::put($part, $bytes) &&
            hash('sha256', (string) Storage::get($part)) === hash('sha256', $bytes) &&
            Storage::move($part, $path)
        ) {
            return;
        }
        Storage::delete($part);
        throw new NoRoom(Say::text('refused.pictureNotWritten'));
    }

    /** @return array{bytes: string, width: int, height: int} */
    private function jpeg(string $bytes): array
    {
        $size = @getimagesizefromstring($bytes);
        if ($size === false || ! \in_array($size[2], [IMAGETYPE_JPEG, IMAGETYPE_PNG, IMAGETYPE_WEBP], true)) {
            throw Refused::field('file', Say::text('refused.noPicture'));
        }
        if ($size[0] * $size[1] > self::MOST_PIXELS) {
            throw Refused::field('file', Say::text('refused.tooManyPixels', [
                'width' => $size[0],
                'height' => $size[1],
                'most' => self::MOST_PIXELS / 1_000_000,
            ]));
        }
        $image = @imagecreatefromstring($bytes) ?: throw Refused::field('file', Say::text('refused.pictureBroken'));
        $scale = min(1, self::LONGEST_SIDE / max($size[0], $size[1]));
        [$width, $height] = [max(1, (int) round($size[0] * $scale)), max(1, (int) round($size[1] * $scale))];
        $drawn = imagecreatetruecolor($width, $height);
        imagefill($drawn, 0, 0, (int) imagecolorallocate($drawn, 255, 255, 255));
        imagecopyresampled($drawn, $image, 0, 0, 0, 0, $width, $height, $size[0], $size[1]);
        ob_start();
        imagejpeg($drawn, null, self::QUALITY);

        return ['bytes' => (string) ob_get_clean(), 'width' => $width, 'height' => $height];
    }
}
