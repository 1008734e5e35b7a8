<?php

namespace App\Pack;

use App\Models\Photo;
use App\Models\Subject;
use App\Support\Say;
use Illuminate\Support\Facades\Storage;

/** The pictures of a record as a book has them: smaller than they were kept, each with what it shows, by whom and when. */
final readonly class Pictures
{
    /** px, of the longest side on paper */
    private const LONGEST_SIDE = 560;

    private const QUALITY = 72;

    /** @param  string  $folder  for the smaller ones, until the book is bound */
    public function __construct(private string $folder, private \DateTimeZone $zone)
    {
    }

    /**
     * @param  \Closure(string): string  $title  of a step, by its key
     * @return list<array{file: string|null, says: string}> file: null where there is no picture any more
     */
    public function of(Subject $subject, \Closure $title): array
    {
        return array_values($subject->photos()->with('user')->get()->map(fn (Photo $photo) => [
            'file' => $this->smaller($photo),
            'says' => implode(', ', [
                $title($photo->step),
                (new \DateTimeImmutable($photo->taken_at))->setTimezone($this->zone)->format('j M Y, H:i'),
                $photo->user->name,
            ]).($photo->late ? ' '.Say::text('pack.pictureIsLate') : ''),
        ])->all());
    }

    private function smaller(Photo $photo): ?string
    {
        $image = @imagecreatefromstring((string) Storage::get(Photo::path($photo->id)));
        if ($image === false) {
            return null;
        }
        $scale = min(1, self::LONGEST_SIDE / max(imagesx($image), imagesy($image)));
        $drawn = imagescale($image, max(1, (int) round(imagesx($image) * $scale)), max(1, (int) round(imagesy($image) * $scale)));
        $file = "{$this->folder}/{$photo->id}.jpg";

        return $drawn !== false && imagejpeg($drawn, $file, self::QUALITY) ? $file : null;
    }

    /** Those of the pieces that are printed are of no more use. */
    public function clear(): void
    {
        array_map(unlink(...), glob("{$this->folder}/*.jpg") ?: []);
    }
}
