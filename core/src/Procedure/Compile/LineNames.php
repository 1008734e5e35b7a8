<?php

declare(strict_types=1);

namespace Diastoma\Core\Procedure\Compile;

/** What a procedure may ask of the line: `$line.x`. Who judges gives what is known of it at the place. */
final class LineNames
{
    /** Name => how a person calls it. */
    public const ALL = [
        'dn_mm' => 'nominal size of the pipe',
        'od_mm' => 'outside diameter of the pipe',
        'wall_mm' => 'wall of the pipe',
        'sdr' => 'SDR of the pipe',
        'length_m' => 'length of a pipe',
        'material' => 'material of the pipe',
        'service' => 'what the line carries',
        'time_zone' => 'time zone',
        'practice' => 'whether this is practice',
        'mdp_bar' => 'design pressure',
        'e_mod_gpa' => 'stiffness of the pipe',
        'nu' => 'lateral contraction of the pipe',
        'restraint' => 'how the line is held',
        'creep_m' => 'creep of the pipe',
        'sides' => 'names of the two pipes',
        'closing_piece' => 'whether it closes a line',
        'attached' => 'restraints on the pipe ends',
        'pipes' => 'planned numbers of the two pipes',
        'ends' => 'the two pipes, a and b',
        'series' => 'series of the pipe',
        'size' => 'size of the pipe',
        'rejected' => 'pipes that were rejected',
        'from_m' => 'where the stretch begins',
        'to_m' => 'where the stretch ends',
        'delivered' => 'pipes that came before',
        'joints' => 'joints of the stretch',
        'profile' => 'planned levels of the stretch',
        'centre_line' => 'planned line of the stretch',
        'pipe_ends_m' => 'where the pipes of the stretch end',
        'bends_m' => 'corners into which bends are set',
        'joint_limit_deg' => 'how far a joint of the line may turn',
        'nominal' => 'size of the pipe as it is called',
        'nominal_mm' => 'size of the pipe, as it would be called in mm',
        'nominal_in' => 'size of the pipe, as it would be called in inch',
        'density_kg_m3' => 'density of the pipe wall',
        'segments' => 'segments of the section',
        'allowance_segments' => 'lengths and sizes of the section',
        'allowance_material' => 'material for the allowance',
        'section_m' => 'length of the section',
        'volume_m3' => 'volume of the section',
        'largest_mm' => 'largest size of the section, as it is called',
        'gauge_target_kpa' => 'test pressure at the gauge',
        'gauge_most_kpa' => 'most that the gauge may show',
        'stp_kpa' => 'system test pressure',
        'test_from' => 'when the last joint of the section is cold enough for pressure',
        'open_at_start' => 'what was open when the test began',
    ];

    /** Names that older texts have for them. */
    public const FORMERLY = ['restraints' => 'attached'];

    /**
     * @param  array<string, mixed>  $line
     * @return array<string, mixed> under the names of today
     */
    public static function today(array $line): array
    {
        foreach (self::FORMERLY as $former => $name) {
            if (isset($line[$former])) {
                $line += [$name => $line[$former]];
            }
        }

        return $line;
    }

    /** Words that a name can have, where they are few. */
    public const WORDS = ['service' => ['water', 'sewer', 'gas']];
}
