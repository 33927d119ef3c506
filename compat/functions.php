<?php

/** PHP 8.5's array functions, as Laravel calls them. See README.md in this folder. */
if (! function_exists('array_first')) {
    /**
     * @param  array<array-key, mixed>  $array
     * @return mixed the first value, or null when the array is empty
     */
    function array_first(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_first($array)];
    }
}

if (! function_exists('array_last')) {
    /**
     * @param  array<array-key, mixed>  $array
     * @return mixed the last value, or null when the array is empty
     */
    function array_last(array $array): mixed
    {
        return $array === [] ? null : $array[array_key_last($array)];
    }
}
